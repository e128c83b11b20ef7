<!-- The can as the stop's verdict has it, ready to pour: what goes in, drawn, and what it reads. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { ecNumber, ecScale } from '../../app/measures';
  import RecipeLines from '../../drawings/RecipeLines.svelte';
  import { tintOf } from '../../drawings/tint';
  import WateringCan from '../../drawings/WateringCan.svelte';
  import Button from '../../ui/Button.svelte';
  import type { Bench, Preview } from './bench.svelte';
  import LitreBars from './LitreBars.svelte';

  interface Props {
    bench: Bench;
    preview: Preview;
    /** Who the wish is of, such as `aubergine`. */
    who: string;
    /** What is asked about the stop. */
    question?: Snippet;
  }
  const { bench, preview, who, question }: Props = $props();
  const sources = $derived(preview.lines.filter((line) => line.form !== 'water'));
  const water = $derived(preview.lines.find((line) => line.form === 'water'));
  const reads = $derived(ecNumber(preview.ec.value));
</script>

<section aria-label="What goes into the can">
  <div class="can">
    <WateringCan
      holds={water?.amount ?? ''}
      unit={ecScale()}
      {reads}
      range="{ecNumber(preview.ec.low)} to {ecNumber(preview.ec.high)}"
      full={water?.pieces[0]?.count ?? 1}
      tint={tintOf(preview.lines)}
    />
    <p class="soft">{water?.what ?? ''}{preview.fills > 1 ? `, ×${preview.fills}` : ''}</p>
  </div>
  <div class="in">
    <RecipeLines lines={sources} />
    <div class="change off-paper">
      <Button onclick={() => (bench.opened = true)}>Change it</Button>
      <Button look="quiet" onclick={() => bench.explain('ec')}>how?</Button>
    </div>
  </div>
  {#if question}<div class="asks">{@render question()}</div>{/if}
  <div class="bars"><LitreBars {bench} {preview} {who} /></div>
</section>

<style>
  section {
    display: grid;
    grid-template-columns: 190px minmax(0, 1fr);
    gap: var(--space-2) var(--space-4);
    padding: var(--space-3) 22px;
  }

  .in,
  .can {
    display: grid;
    gap: var(--space-2);
    align-content: center;
  }

  .can {
    container-type: inline-size;
  }

  .change {
    display: flex;
    gap: var(--space-2);
  }

  .soft {
    color: var(--color-text-soft);
    text-align: center;
  }

  .asks,
  .bars {
    grid-column: 1 / -1;
  }

  @media (width <= 700px) {
    section {
      grid-template-columns: 120px minmax(0, 1fr);
      padding: var(--space-2) var(--space-4);
    }
  }
</style>
