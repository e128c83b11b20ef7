<!-- What goes into a can, in large lines for wet hands, and what the pen should read. -->
<script lang="ts">
  import type { RoundCan } from './round.svelte';

  const { can }: { can: RoundCan } = $props();
</script>

<ol>
  {#each can.lines as line, index (index)}
    <li>
      <b>{line.amount}</b>
      <span>{line.what}{line.note ? ` · ${line.note}` : ''}</span>
    </li>
  {/each}
</ol>
<div class="reads">
  <span>should read</span>
  <b>{can.reads}</b>
  <span>{can.reads_range}</span>
</div>

<style>
  ol {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-6);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li b,
  .reads b {
    display: block;
    font: 700 var(--text-xl) / 1.15 var(--face-head);
    font-variant-numeric: tabular-nums;
  }

  li span {
    display: block;
    line-height: 1.3;
  }

  .reads {
    text-align: right;
  }

  .reads b {
    font-size: var(--text-l);
  }

  .reads span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media (width <= 700px) {
    ol {
      display: grid;
      grid-column: 1 / -1;
      grid-row: 2;
    }

    li b {
      font-size: var(--text-xxl);
    }
  }
</style>
