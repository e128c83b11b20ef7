<!-- Tomorrow and the week, folded until somebody asks. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '../../api/client';
  import { counted } from '../../ui/language';
  import { dateInWords } from '../../ui/time';
  import { capital } from '../../ui/words';

  /** Days with something; what else may be asked about them. */
  const { days, children }: { days: Schemas['RoundDayOut'][]; children?: Snippet } = $props();
  const first = $derived(days[0]);
</script>

{#if first || children}
  <details>
    <summary>
      <b>Tomorrow and the week</b>
      {#if first}
        <span>{capital(first.words)}: {counted(first.items.length, 'stop')}</span>
      {/if}
    </summary>
    {@render children?.()}
    {#each days as day (day.on)}
      <h3>{capital(day.words)}, {dateInWords(day.on)}</h3>
      <ul>
        {#each day.items as item (item.id)}
          <li>
            <b>{item.name}</b>
            {item.text}
            <p>{item.why.join(' ')}</p>
          </li>
        {/each}
      </ul>
    {/each}
  </details>
{/if}

<style>
  summary {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
    align-items: center;
    min-height: var(--touch);
    cursor: pointer;
  }

  summary::before {
    content: '▸';
  }

  details[open] summary::before {
    content: '▾';
  }

  span,
  p {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  h3 {
    margin-top: var(--space-3);
    font-size: var(--text-m);
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
</style>
