<!-- The unfed pots of a trial: the same litres of plain water, ticked in the can's own block. -->
<script lang="ts">
  import { ask, client } from '../../api/client';
  import { away } from '../../app/away/away.svelte';
  import { watersFill } from '../../app/away/words';
  import { volume } from '../../app/measures';
  import { undo } from '../../app/undo.svelte';
  import Message from '../../ui/Message.svelte';
  import { toNextTick } from './focus';
  import TickBox from './TickBox.svelte';
  import { round, type RoundCan } from './round.svelte';

  const { row }: { row: RoundCan['plain'][number] } = $props();
  const write = $derived(round.write(row.fill_id));
  const waits = $derived(away.waiting.find((one) => watersFill(one, row.fill_id)) ?? null);
  const done = $derived(row.done || round.pressed.has(row.fill_id) || waits !== null);

  async function press(event: MouseEvent) {
    if (!done) toNextTick(event.currentTarget as HTMLElement);
    if (waits) return away.drop(waits);
    if (done) return row.change_id ? undo.take(row.change_id) : undefined;
    round.pressed.add(row.fill_id);
    const body = {
      id: write.id(),
      fill_id: row.fill_id,
      water_id: row.water_id,
      water_kind: '',
      litres: volume(row.litres, 6),
      flush: false,
    };
    if (!(await write.send(() => ask(client.POST('/api/waterings', { body })))))
      round.pressed.delete(row.fill_id);
  }
</script>

<li class:done>
  <button type="button" class="tick" aria-pressed={done} disabled={write.busy} onclick={press}>
    <TickBox {done} />
    <span class="who">
      <b>{row.name}</b>
      <span>{row.who}</span>
      {#if waits}<span class="care">{waits.refused ? 'not taken' : 'waits to be sent'}</span>{/if}
    </span>
    <b class="amount">{row.amount}</b>
  </button>
</li>
{#if write.problem}<li class="trouble"><Message problem={write.problem} /></li>{/if}

<style>
  li {
    padding-right: var(--space-4);
    border-top: 1px dashed var(--color-edge);
  }

  .trouble {
    padding: var(--space-2) var(--space-4);
  }

  button {
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

  @media (width <= 700px) {
    button {
      gap: var(--space-3);
      padding-left: var(--space-3);
    }
  }
</style>
