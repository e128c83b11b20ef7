<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** How grave: each has a word and a shape beside its colour. */
    severity: 'info' | 'care' | 'stop' | 'school';
    title: string;
    /** Where it comes from. */
    source?: string;
    children: Snippet;
  }
  let { severity, title, source = '', children }: Props = $props();
  const WORDS = { info: '', care: 'Care', stop: 'Stop', school: '' };
</script>

<div class={severity}>
  <h3>
    {#if severity === 'care' || severity === 'stop'}
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
        {#if severity === 'care'}
          <path d="M8 1.5 15 14.5H1Z" />
        {:else}
          <path d="M5 1h6l4 4v6l-4 4H5l-4-4V5Z" />
        {/if}
      </svg>
      {WORDS[severity]}:
    {/if}
    {title}
  </h3>
  <p>{@render children()}</p>
  {#if source}<p class="source">{source}</p>{/if}
</div>

<style>
  div {
    padding: var(--space-2) var(--space-3);
    border-left: 4px solid var(--color-rim);
    border-radius: 0 var(--radius) var(--radius) 0;
    font-size: 0.9375rem;
  }

  h3 {
    font-family: var(--face-text);
    font-size: inherit;
    letter-spacing: 0;
    line-height: 1.4;
  }

  svg {
    margin-right: 2px;
    vertical-align: -2px;
    fill: currentcolor;
  }

  .info {
    border-color: var(--color-wish-edge);
  }

  .care {
    border-color: var(--color-care);
    background: var(--color-care-tint);
  }

  .care h3 {
    color: var(--color-care);
  }

  .stop {
    border-color: var(--color-stop);
    background: var(--color-stop-tint);
  }

  .stop h3 {
    color: var(--color-stop);
  }

  .source {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
