<!-- A stop that a can serves: the whole row ticks; beside it another amount. -->
<script lang="ts">
  import { away } from '../../app/away/away.svelte';
  import { ticks } from '../../app/away/words';
  import { undo } from '../../app/undo.svelte';
  import Message from '../../ui/Message.svelte';
  import AmountSheet from './AmountSheet.svelte';
  import TickBox from './TickBox.svelte';
  import { toNextTick } from './focus';
  import { round, type RoundCan, type RoundRow } from './round.svelte';

  interface Props {
    can: RoundCan;
    row: RoundRow;
  }
  const { can, row }: Props = $props();
  let other = $state(false);
  const write = $derived(round.write(row.fill_id));
  const waits = $derived(away.waiting.find((one) => ticks(one, row.fill_id)) ?? null);
  const done = $derived(row.done.length > 0 || round.pressed.has(row.fill_id) || waits !== null);
  const last = $derived(row.done.at(-1));

  /** Pressed once it is done, pressed again it is taken back. */
  function press(event: MouseEvent) {
    if (!done) {
      void round.tick(can, row);
      toNextTick(event.currentTarget as HTMLElement);
    } else if (waits) void away.drop(waits);
    else if (last?.change_id) void undo.take(last.change_id);
  }
</script>

<li class:done class:later={!row.now}>
  <button
    type="button"
    class="tick"
    aria-pressed={done}
    disabled={write.busy || (!done && !row.now)}
    onclick={press}
  >
    <TickBox {done} />
    <span class="who">
      <b>{row.name}</b>
      <span>{row.who}</span>
      {#if !row.now}<span class="care">not now: {row.mark}</span>{/if}
      {#if waits}<span class="care">{waits.refused ? 'not taken' : 'waits to be sent'}</span>{/if}
    </span>
    <b class="amount">
      {row.done.length ? row.done.map((one) => one.words).join(', ') : row.amount}
    </b>
  </button>
  <button type="button" class="other" disabled={write.busy} onclick={() => (other = true)}>
    <span aria-hidden="true">⋯</span>
    <span class="unseen">{done ? 'change' : 'other'} amount for {row.name}</span>
  </button>
</li>
{#if write.problem}<li class="trouble"><Message problem={write.problem} /></li>{/if}
<AmountSheet {can} {row} bind:open={other} />

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

  .trouble {
    display: block;
    padding: var(--space-2) var(--space-4);
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

  .who {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-2);
    align-items: baseline;
  }

  .who span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .who .care {
    color: var(--color-care);
  }

  .amount {
    font: 700 1.25rem / 1.2 var(--face-head);
    text-align: right;
  }

  .done .amount {
    color: var(--color-text-soft);
    font-size: var(--text-m);
  }

  .other {
    min-width: var(--touch);
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    cursor: pointer;
  }

  @media print {
    .other {
      display: none;
    }
  }

  @media (width <= 700px) {
    li {
      padding-right: var(--space-2);
    }

    .tick {
      gap: var(--space-3);
      padding-left: var(--space-3);
    }

    .who span:not(.care) {
      display: none;
    }

    .other {
      min-width: 0;
      min-height: 48px;
    }
  }
</style>
