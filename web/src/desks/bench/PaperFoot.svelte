<!-- Seen on paper only: what the presses at the foot say on the screen, and whose card it is. -->
<script lang="ts">
  import { ec, ecNumber, volume } from '../../app/measures';
  import { garden } from '../../app/garden.svelte';
  import RecipeLines from '../../drawings/RecipeLines.svelte';
  import { dayInWords } from '../../ui/time';
  import type { Bench } from './bench.svelte';

  interface Props {
    bench: Bench;
    /** Whether a can is mixed for the roots. */
    mixing: boolean;
    /** Whether its recipe is drawn above. */
    laid: boolean;
  }
  const { bench, mixing, laid }: Props = $props();
  const preview = $derived(mixing && bench.route === 'roots' ? bench.preview : null);
  const path = $derived(garden.path);
  const act = $derived(garden.verdict?.button ?? '');
</script>

<footer>
  {#if preview}
    {#if !laid}
      <RecipeLines lines={preview.lines} />
      <p>The pen should read {ecNumber(preview.ec.low)} to {ec(preview.ec.high)}.</p>
    {/if}
    {#if bench.litres && garden.stand}
      <p><b>{volume(bench.litres)}</b> on each of {garden.stand.count}.</p>
    {/if}
    <p>{preview.keeps}</p>
  {:else if act && bench.route === 'roots'}
    <p><b>{act}</b></p>
  {/if}
  {#if path}<p>{path.garden}, {dayInWords(path.now, path.zone)}.</p>{/if}
  {#if preview || bench.route === 'leaves'}<p>Never keep feed in a drink bottle.</p>{/if}
</footer>

<style>
  footer {
    display: none;
  }

  @media print {
    footer {
      display: grid;
      gap: var(--space-2);
      padding: var(--space-3) 22px;
    }
  }
</style>
