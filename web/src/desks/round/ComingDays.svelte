<!-- Tomorrow and the week, folded until somebody asks. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '../../api/client';
  import type { Resource } from '../../app/resource.svelte';
  import Message from '../../ui/Message.svelte';
  import { dateInWords } from '../../ui/time';
  import { capital } from '../../ui/words';

  interface Props {
    of: Resource<Schemas['RoundComingOut']>;
    open: boolean;
    onopen: () => void;
    /** What else may be asked about tomorrow. */
    children?: Snippet;
  }
  let { of, open = $bindable(), onopen, children }: Props = $props();
  const days = $derived(of.data?.days ?? []);

  function toggled(event: Event) {
    open = (event.currentTarget as HTMLDetailsElement).open;
    if (open) onopen();
  }
</script>

<details {open} ontoggle={toggled}>
  <summary><b>Tomorrow and the week</b></summary>
  {@render children?.()}
  <Message problem={of.problem} />
  {#if of.busy && !of.data}
    <p role="status">Working out the week…</p>
  {:else if of.data && !days.length}
    <p>Nothing comes.</p>
  {/if}
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
