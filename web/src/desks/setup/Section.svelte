<script lang="ts">
  import type { Snippet } from 'svelte';
  import { session } from '../../app/session.svelte';
  import Button from '../../ui/Button.svelte';

  interface Props {
    title: string;
    /** What stands here when nothing does. */
    empty: string;
    count: number;
    /** The word on the button that adds another. */
    add?: string;
    onadd?: () => void;
    /** A second way to add: many at once. */
    many?: string;
    onmany?: () => void;
    children: Snippet;
  }
  let { title, empty, count, add = '', onadd, many = '', onmany, children }: Props = $props();
</script>

<section>
  <header>
    <h2>{title}</h2>
    {#if session.owner}
      <span>
        {#if many}<Button onclick={onmany}>{many}</Button>{/if}
        {#if add}<Button onclick={onadd}>{add}</Button>{/if}
      </span>
    {/if}
  </header>
  {#if count === 0}<p>{empty}</p>{/if}
  {@render children()}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    align-content: start;
    padding-top: var(--space-3);
    border-top: 1px solid var(--color-line);
  }

  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
  }

  span {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    justify-content: end;
  }

  h2 {
    font-size: 1.25rem;
  }

  p {
    color: var(--color-text-soft);
  }
</style>
