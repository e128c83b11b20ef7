<!-- How it is given: on roots, on leaves, or dry. -->
<script lang="ts">
  import type { Route } from './bench.svelte';

  interface Props {
    route: Route;
  }
  let { route = $bindable() }: Props = $props();
  const ROUTES: Route[] = ['roots', 'leaves', 'dry'];
</script>

<div class="off-paper" role="group" aria-label="How it is given">
  {#each ROUTES as one (one)}
    <button type="button" aria-pressed={route === one} onclick={() => (route = one)}>{one}</button>
  {/each}
</div>

<style>
  div {
    display: inline-flex;
    overflow: hidden;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-round);
  }

  button {
    min-width: var(--touch);
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 0;
    background: none;
    cursor: pointer;
  }

  button:focus-visible {
    outline-offset: -4px;
  }

  button[aria-pressed='true'] {
    background: var(--color-text);
    color: var(--color-panel);
    font-weight: 600;
  }
</style>
