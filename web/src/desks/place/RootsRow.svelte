<script lang="ts">
  import RootScale from '../../charts/RootScale.svelte';
  import type { Read } from './roots.svelte';
  import WordMark from './WordMark.svelte';

  interface Props {
    one: Read;
    most: number;
  }
  const { one, most }: Props = $props();
  const roots = $derived(one.roots);
  const grows = $derived(one.place.plants.join(', '));
</script>

<!-- One place in a list of all: where its roots stand, and what is to be done. -->
<a href="/place?stop={one.place.id}" class:wants={roots.flush}>
  <span class="name">
    <b>{roots.name}</b>
    {#if one.place.fills.length === 1}<span class="soft">{grows || 'nothing growing'}</span>{/if}
  </span>
  <RootScale chart={roots.chart} {most} summary={roots.headline} />
  <span class="say">
    <span><WordMark word={roots.word} />{roots.headline}</span>
    {#if roots.flush}<b>{roots.flush.text}</b>{:else if roots.next_feed}{roots.next_feed.words}{/if}
  </span>
</a>

<style>
  a {
    display: grid;
    grid-template-columns: minmax(130px, 1fr) minmax(160px, 1.2fr) minmax(0, 3fr);
    gap: var(--space-2) var(--space-4);
    align-items: center;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    color: inherit;
    text-decoration: none;
  }

  a:hover {
    border-color: var(--color-edge);
  }

  .wants {
    border: 2px solid var(--color-rim);
  }

  .name,
  .say {
    display: grid;
    gap: 2px;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media (width <= 700px) {
    a {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
