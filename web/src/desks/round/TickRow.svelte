<!-- A stop that a can serves; beside it another amount. -->
<script lang="ts">
  import { may } from '../../ui/may.svelte';
  import { away } from '../../app/away/away.svelte';
  import { undo } from '../../app/undo.svelte';
  import AmountSheet from './AmountSheet.svelte';
  import { round, type RoundCan, type RoundRow } from './round.svelte';
  import RowLine from './RowLine.svelte';

  interface Props {
    can: RoundCan;
    row: RoundRow;
  }
  const { can, row }: Props = $props();
  let other = $state(false);
  const write = $derived(round.write(row.fill_id));
  const waits = $derived(round.waiting(row.fill_id));
  const done = $derived(round.ticked(row));
  const care = $derived([
    ...(row.now ? [] : [`not now: ${row.mark}`]),
    ...(waits ? [waits.refused ? 'not taken' : 'waits to be sent'] : []),
  ]);

  /** Pressed once it is done, pressed again it is taken back. */
  function press() {
    const change = row.done.at(-1)?.change_id;
    if (!done) void round.tick(can, row);
    else if (waits) void away.drop(waits);
    else if (change) void undo.take(change);
  }
</script>

<RowLine
  name={row.name}
  who={row.who}
  amount={row.done.length ? row.done.map((one) => one.words).join(', ') : row.amount}
  {done}
  disabled={write.busy || (!done && !row.now)}
  {care}
  problem={write.problem}
  onpress={press}
>
  {#snippet aside()}
    {#if may.write}
      <button type="button" disabled={write.busy} onclick={() => (other = true)}>
        <span aria-hidden="true">⋯</span>
        <span class="unseen">{done ? 'change' : 'other'} amount for {row.name}</span>
      </button>
    {/if}
  {/snippet}
</RowLine>
<AmountSheet {can} {row} bind:open={other} />
