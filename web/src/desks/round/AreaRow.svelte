<!-- Stops of one area that get alike: one press ticks them all, another opens them. -->
<script lang="ts">
  import { counted } from '../../ui/language';
  import { toNextTick } from './focus';
  import { round, type RoundCan, type RoundRow } from './round.svelte';
  import TickBox from './TickBox.svelte';
  import TickRow from './TickRow.svelte';

  interface Props {
    can: RoundCan;
    area: string;
    rows: RoundRow[];
  }
  const { can, area, rows }: Props = $props();
  let open = $state(false);
  const left = $derived(
    rows.filter((row) => row.now && !row.done.length && !round.pressed.has(row.fill_id)),
  );
  const done = $derived(left.length === 0);

  async function press(event: MouseEvent) {
    toNextTick(event.currentTarget as HTMLElement);
    for (const row of left) await round.tick(can, row);
  }
</script>

<li class:done>
  <button type="button" class="tick" aria-pressed={done} disabled={done} onclick={press}>
    <TickBox {done} />
    <span class="who"><b>{area}</b> <span>{counted(rows.length, 'stop')}</span></span>
    <b class="amount">{rows[0]?.amount}</b>
  </button>
  <button type="button" class="other" aria-expanded={open} onclick={() => (open = !open)}>
    {open ? 'fold' : 'open'}<span class="unseen"> {area}</span>
  </button>
</li>
{#if open}
  {#each rows as row (row.fill_id)}<TickRow {can} {row} />{/each}
{/if}

<style>
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-2);
    align-items: center;
    padding-right: var(--space-4);
    border-top: 1px solid var(--color-line);
  }

  li:first-child {
    border-top: 0;
  }

  .tick {
    display: grid;
    grid-template-columns: 34px minmax(0, 1fr) auto;
    gap: var(--space-4);
    align-items: center;
    width: 100%;
    min-height: 52px;
    padding: var(--space-1) 0 var(--space-1) var(--space-4);
    border: 0;
    background: none;
    color: inherit;
    text-align: left;
    cursor: pointer;
  }

  .who span,
  .done .amount {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .amount {
    font: 700 1.25rem / 1.2 var(--face-head);
  }

  .other {
    min-width: 84px;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    cursor: pointer;
  }

  @media (width <= 700px) {
    li {
      padding-right: var(--space-2);
    }

    .tick {
      gap: var(--space-3);
      padding-left: var(--space-3);
    }
  }
</style>
