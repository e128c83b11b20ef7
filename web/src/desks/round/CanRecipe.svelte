<!-- What goes into a can, drawn in the measures that give it, and what the pen should read. -->
<script lang="ts">
  import RecipeLines from '../../drawings/RecipeLines.svelte';
  import type { RoundCan } from './round.svelte';

  interface Props {
    can: RoundCan;
    /** Where the can may be read: what that does. */
    onread?: () => void;
    small?: boolean;
  }
  const { can, onread, small = false }: Props = $props();
</script>

<div class="lines"><RecipeLines lines={can.lines} {small} /></div>
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
  b {
    font: 700 var(--text-xl) / 1.1 var(--face-head);
    font-variant-numeric: tabular-nums;
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
</style>
