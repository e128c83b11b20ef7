<!-- What goes into a can, drawn in the measures that give it, and what the pen should read. -->
<script lang="ts">
  import PieceDrawing from '../../drawings/PieceDrawing.svelte';
  import type { RoundCan } from './round.svelte';

  interface Props {
    can: RoundCan;
    /** Where the can may be read: what that does. */
    onread?: () => void;
  }
  const { can, onread }: Props = $props();
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
  <svelte:element
    this={onread ? 'button' : 'p'}
    class="reads"
    title="{can.reads}, {can.reads_range}"
    role={onread ? 'button' : undefined}
    onclick={onread}
  >
    <span class="soft">pen</span>
    <b>{can.pen}</b>
    {#if onread}<span class="unseen">: read the can, it should show {can.reads_range}</span>{/if}
  </svelte:element>
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
    gap: var(--space-2);
    align-items: center;
    justify-content: center;
  }

  button.reads {
    min-width: 92px;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    color: inherit;
    cursor: pointer;
  }

  @media (width <= 700px) {
    ol {
      display: grid;
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
</style>
