<!-- What goes into a can, drawn in the measures that give it. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import PieceDrawing from './PieceDrawing.svelte';
  import { tintOf } from './tint';

  interface Props {
    lines: Schemas['RecipeLineOut'][];
    /** Whether a phone draws them small: it is no can in hand yet. */
    small?: boolean;
  }
  const { lines, small = false }: Props = $props();
  const tint = $derived(tintOf(lines));
</script>

<ol class:small>
  {#each lines as line, index (index)}
    <li>
      {#each line.pieces as piece, at (at)}
        <PieceDrawing {piece} form={line.form} tint={line.form === 'water' ? tint : 0} />
      {/each}
      <p>
        <b>{line.amount}</b>
        <span>{line.what}</span>
        {#if line.note}<span class="soft">{line.note}</span>{/if}
      </p>
    </li>
  {/each}
</ol>

<style>
  ol {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-6);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    gap: var(--space-2);
    align-items: center;
  }

  b {
    display: block;
    font: 700 var(--text-xl) / 1.1 var(--face-head);
    font-variant-numeric: tabular-nums;
  }

  p > span {
    display: block;
    max-width: 26ch;
    line-height: 1.25;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media (width <= 700px) {
    ol {
      display: grid;
      gap: var(--space-1);
    }

    .small li > :global(span) {
      zoom: 0.75;
    }

    .small p {
      display: flex;
      flex-wrap: wrap;
      gap: 0 var(--space-2);
      align-items: baseline;
    }

    .small b {
      font-size: 1.0625rem;
    }

    .small p > span {
      font-size: var(--text-s);
    }
  }
</style>
