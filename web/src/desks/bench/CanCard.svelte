<script lang="ts">
  import { ec, ecNumber, volume } from '../../app/measures';
  import { garden } from '../../app/garden.svelte';
  import { dayInWords } from '../../ui/time';
  import type { Bench } from './bench.svelte';

  interface Props {
    bench: Bench;
  }
  let { bench }: Props = $props();
  const preview = $derived(bench.preview);
  const path = $derived(garden.path);
</script>

<!-- Seen on paper only: the card that is pinned up beside the can. -->
{#if preview && path}
  <article>
    <h2>{bench.jar?.name}</h2>
    <p class="how">
      {preview.concentrate.text}
      {preview.unit}{#if preview.spoons}, about {preview.spoons}{/if}, in {volume(preview.vessel_l)} ({preview
        .ways.parts.said})
    </p>
    {#if preview.more.length}
      <ol>
        {#each preview.more as one (one.jar_id)}
          <li>
            then {one.amount_text} of {one.name}{one.spoons ? `, about ${one.spoons}` : ''}, stirred
            in
          </li>
        {/each}
      </ol>
    {/if}
    {#if garden.stand}<p>
        for {garden.stand.spot}: {garden.stand.counted}, {garden.stand.stage}
      </p>{/if}
    <p>
      {preview.nutrients.map((row) => `${row.name} ${row.figure.text}`).join(', ')} mg/L
    </p>
    <p>{preview.keeps}</p>
    <p>the pen should read {ecNumber(preview.ec.low)} to {ec(preview.ec.high)}</p>
    <p>{path.garden}, {dayInWords(path.now, path.zone)}. Never keep feed in a drink bottle.</p>
  </article>
{/if}

<style>
  article {
    display: none;
  }

  @media print {
    article {
      display: block;
      width: 100mm;
      padding: 6mm;
      border: 1px solid;
    }

    h2 {
      font-size: 16pt;
    }

    .how {
      margin: 3mm 0;
      font-size: 14pt;
      font-weight: 600;
    }
  }
</style>
