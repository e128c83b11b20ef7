<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    href: string;
    /** Something is to be done with it today. */
    due?: boolean;
    children: Snippet;
  }

  const { href, due = false, children }: Props = $props();
</script>

<!-- One thing on the board: its drawing, and a few lines beside it. -->
<a {href} class:due>{@render children()}</a>

<style>
  a {
    display: flex;
    gap: var(--space-3);
    align-items: flex-end;
    min-height: 104px;
    padding: var(--space-2) var(--space-2) 0;
    border-radius: var(--radius) var(--radius) 0 0;
    color: inherit;
    text-decoration: none;
  }

  a:hover {
    background: var(--color-panel-low);
  }

  .due {
    background: var(--color-rim-tint);
  }

  a :global(span) {
    display: grid;
    padding-bottom: var(--space-2);
    line-height: 1.3;
  }

  a :global(small) {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  a :global(strong) {
    font-size: 0.9375rem;
    font-weight: 600;
  }

  a :global(svg) {
    flex: none;
  }
</style>
