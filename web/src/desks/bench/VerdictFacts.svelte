<script lang="ts">
  import { ecScale, volume } from '../../app/measures';
  import type { Verdict } from '../../app/garden.svelte';
  import WateringCan from '../../drawings/WateringCan.svelte';
  import { lookOf } from '../../ui/kinds';
  import { dateInWords } from '../../ui/time';

  interface Props {
    verdict: Verdict;
    /** What the water reads, in the pen's scale. */
    reads: string;
  }
  const { verdict, reads }: Props = $props();
  const look = $derived(lookOf(verdict.kind));
  const pours = $derived(verdict.litres > 0 && look.pours);
</script>

<!-- What stands on the Bench where nothing is mixed: the water, and what the verdict rests on. -->
<div class="facts">
  {#if pours}
    <WateringCan holds={volume(verdict.litres)} unit={ecScale()} {reads} range={verdict.water} />
  {/if}
  <details>
    <summary>What this rests on</summary>
    <dl>
      {#each verdict.basis as one (one.what + one.text)}
        <dt>{one.what}</dt>
        <dd>
          {one.text}{#if one.age}<span>, {one.age}</span>{/if}
        </dd>
      {/each}
      {#if verdict.next_on && look.dated}
        <dt>look again</dt>
        <dd>{dateInWords(verdict.next_on)}</dd>
      {/if}
    </dl>
  </details>
</div>

<style>
  .facts {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: var(--space-4) var(--space-8);
    align-items: start;
    padding: var(--space-4) 22px;
  }

  summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    color: var(--color-rim);
    cursor: pointer;
  }

  details {
    grid-column: -2 / -1;
  }

  dl {
    display: grid;
    grid-template-columns: minmax(110px, auto) minmax(0, 1fr);
    margin: 0;
  }

  dt,
  dd {
    margin: 0;
    padding: var(--space-3) var(--space-3) var(--space-3) 0;
    border-bottom: 1px dashed var(--color-line);
  }

  dt {
    color: var(--color-text-soft);
  }

  dd {
    font-weight: 600;
  }

  span {
    font-weight: 400;
  }

  @media (width <= 700px) {
    .facts {
      grid-template-columns: minmax(0, 1fr);
      padding: var(--space-3) var(--space-4);
    }
  }
</style>
