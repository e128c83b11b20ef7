<!-- What goes into a can, drawn in the measures that give it, and what the pen should read. -->
<script lang="ts">
  import PieceDrawing from '../../drawings/PieceDrawing.svelte';
  import type { RoundCan } from './round.svelte';

  const { can }: { can: RoundCan } = $props();
</script>

<ol>
  {#each can.lines as line, index (index)}
    <li>
      {#each line.pieces as piece, at (at)}<PieceDrawing {piece} form={line.form} />{/each}
      <p>
        <b>{line.amount}</b>
        <span>{line.what}</span>
        {#if line.note}<span class="soft">{line.note}</span>{/if}
      </p>
    </li>
  {/each}
</ol>
{#if can.reads}
  <p class="reads" title={can.reads_range}>
    <span class="soft">pen</span>
    <b>{can.reads.split(' ')[0]}</b>
    <span class="unseen">{can.reads.split(' ').slice(1).join(' ')}, {can.reads_range}</span>
  </p>
{/if}

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

  .reads {
    display: flex;
    gap: var(--space-1);
    align-items: baseline;
    justify-content: end;
  }

  @media (width <= 700px) {
    ol {
      display: grid;
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
</style>
