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
    children: Snippet;
  }
  let { title, empty, count, add = '', onadd, children }: Props = $props();
</script>

<section>
  <header>
    <h2>{title}</h2>
    {#if add && session.owner}<Button onclick={onadd}>{add}</Button>{/if}
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

  h2 {
    font-size: 1.25rem;
  }

  p {
    color: var(--color-text-soft);
  }
</style>
