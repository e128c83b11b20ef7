<script lang="ts">
  import type { Snippet } from 'svelte';
  import { session } from '../../app/session.svelte';

  interface Props {
    title: string;
    line: string;
    /** What can be done with it, by the owner or by `anyone` who helps. */
    acts: { label: string; act: () => void; anyone?: boolean }[];
    children?: Snippet;
  }
  let { title, line, acts, children }: Props = $props();
  const mine = $derived(acts.filter((one) => session.owner || one.anyone));
</script>

<article>
  <div>
    <h3>{title}</h3>
    <p>{line}</p>
  </div>
  <div class="acts">
    {#each mine as one (one.label)}
      <button type="button" aria-label="{one.label}: {title}" onclick={one.act}>{one.label}</button>
    {/each}
  </div>
  {@render children?.()}
</article>

<style>
  article {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
    align-items: center;
    justify-content: space-between;
    padding: var(--space-1) var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  h3 {
    font-family: var(--face-text);
    font-size: var(--text-m);
    letter-spacing: 0;
  }

  p {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1);
    margin-left: auto;
  }

  button {
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }
</style>
