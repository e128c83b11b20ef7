<script lang="ts">
  import type { Schemas } from '../../api/client';
  import RootScale from '../../charts/RootScale.svelte';
  import KindMark from '../../ui/KindMark.svelte';
  import { lookOf } from '../../ui/kinds';
  import WordMark from './WordMark.svelte';

  interface Props {
    line: Schemas['RootLineOut'];
    /** The end of the scale [mS/cm]. */
    most: number;
  }
  const { line, most }: Props = $props();
</script>

<!-- One place in a list of all: where its roots stand, and what is to be done. -->
<a href="/place?stop={line.place_id}" class:wants={lookOf(line.kind).beforeFood}>
  <span class="name">
    <b>{line.name}</b>
    <span class="soft">{line.plants || 'nothing growing'}</span>
  </span>
  <RootScale {line} {most} />
  <span class="say">
    {#if line.kind}<b class="do"><KindMark kind={line.kind} />{line.says}</b>{/if}
    <span><WordMark word={line.word} />{line.headline}</span>
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

  .do {
    display: flex;
    gap: var(--space-2);
    align-items: center;
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
