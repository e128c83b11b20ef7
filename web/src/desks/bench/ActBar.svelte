<!-- The bar at the foot of the Bench: the one thing to press, and what is said beside it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** Whether on a phone its first button takes most of a row; else it shares the row. */
    wide?: boolean;
    children: Snippet;
  }
  const { wide = true, children }: Props = $props();
</script>

<div class="bar act-bar off-paper" class:wide>{@render children()}</div>

<style>
  .bar {
    position: sticky;
    bottom: 0;
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    align-items: center;
    margin-top: auto;
    padding: var(--space-3) 22px;
    border-top: 1px solid var(--color-line);
    background: var(--color-panel-low);
  }

  .bar > :global(p) {
    flex: 1 1 260px;
    font-size: 0.9375rem;
    line-height: 1.3;
  }

  .bar :global(strong) {
    color: var(--color-stop);
  }

  @media (width <= 1000px) {
    /* what has the focus stands clear of this bar, too */
    :global(html:has(.act-bar)) {
      scroll-padding-bottom: 200px;
    }

    .bar {
      bottom: 64px;
      z-index: 1;
      gap: var(--space-1) var(--space-2);
      padding: var(--space-2) var(--space-4);
    }

    .bar > :global(button:first-of-type) {
      flex: 1;
    }

    .wide > :global(button:first-of-type) {
      flex: 1 1 60%;
    }
  }
</style>
