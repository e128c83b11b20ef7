<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';
  import { may } from './may.svelte';

  interface Props extends HTMLButtonAttributes {
    /** `go` is the one thing to do next on a screen; `plain` everything else. */
    look?: 'go' | 'plain' | 'quiet';
    /** Whether it writes: a viewer does not see it. */
    writes?: boolean;
    children: Snippet;
  }
  let { look = 'plain', type = 'button', writes = false, children, ...rest }: Props = $props();
</script>

{#if !writes || may.write}
  <button {type} class={look} {...rest}>{@render children()}</button>
{/if}

<style>
  button {
    min-height: var(--touch);
    padding: var(--space-2) var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    font-weight: 550;
    cursor: pointer;
  }

  .go {
    min-height: 48px;
    border-color: transparent;
    background: var(--color-go);
    color: var(--color-on-go);
    font-size: var(--text-l);
    font-weight: 600;
  }

  .quiet {
    border-color: transparent;
    color: var(--color-rim);
    text-decoration: underline;
    text-underline-offset: 3px;
  }

  button:disabled {
    border-color: var(--color-line);
    background: var(--color-line);
    color: var(--color-text-soft);
    cursor: not-allowed;
  }
</style>
