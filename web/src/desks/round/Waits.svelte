<!-- What gets nothing today, a line for each reason; folded, but for what has to be got. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    waits: Schemas['RoundWaitsOut'][];
    /** When leaves may be sprayed. */
    leaves: string;
  }
  const { waits, leaves }: Props = $props();
  const wanting = $derived(waits.filter((one) => one.to_get));
  const quiet = $derived(waits.filter((one) => !one.to_get));
  const count = $derived(quiet.reduce((sum, one) => sum + one.stops.length, 0));
</script>

{#each wanting as one (one.why)}
  <p class="get"><b>{one.title}:</b> {one.why}</p>
{/each}
{#if quiet.length || leaves}
  <details>
    <summary>{count ? `Nothing today for ${count}` : 'Leaf sprays'}</summary>
    <ul>
      {#each quiet as one (one.kind + one.why)}
        <li>
          <b>{one.title}:</b>
          {one.why}
          {#if one.stops.length > 2}
            <span>{one.stops.map((stop) => stop.name).join(', ')}</span>
          {/if}
        </li>
      {/each}
      {#if leaves}<li>{leaves}</li>{/if}
    </ul>
  </details>
{/if}

<style>
  .get {
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-line);
    border-left: 4px solid var(--color-care);
    border-radius: 0 var(--radius) var(--radius) 0;
  }

  summary {
    min-height: var(--touch);
    padding-top: 10px;
    font-weight: 600;
    cursor: pointer;
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    padding: var(--space-2) 0;
    border-top: 1px solid var(--color-line);
    line-height: 1.35;
  }

  span {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
