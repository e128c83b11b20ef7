<!-- A new version of Dace is there: offered, never forced. -->
<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import { installed } from './installed.svelte';
</script>

{#if installed.fresh}
  <div role="status">
    <span>A new version of Dace is here.</span>
    <Button look="go" onclick={() => installed.take()}>Take it</Button>
    <Button onclick={() => (installed.fresh = null)}>Later</Button>
  </div>
{/if}

<style>
  div {
    position: fixed;
    top: var(--space-3);
    left: 50%;
    z-index: 3;
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: center;
    max-width: calc(100vw - 2 * var(--space-4));
    padding: var(--space-2) var(--space-4);
    border: 1px solid var(--color-line);
    border-top: 3px solid var(--color-rim);
    border-radius: var(--radius);
    background: var(--color-panel);
    transform: translateX(-50%);
  }
</style>
