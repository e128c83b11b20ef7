<!-- The unfed pots of a trial: the same litres of plain water, ticked in the can's own block. -->
<script lang="ts">
  import { away } from '../../app/away/away.svelte';
  import { watersFill } from '../../app/away/words';
  import { undo } from '../../app/undo.svelte';
  import { round, type RoundCan } from './round.svelte';
  import RowLine from './RowLine.svelte';

  const { row }: { row: RoundCan['plain'][number] } = $props();
  const write = $derived(round.write(row.fill_id));
  const waits = $derived(away.waiting.find((one) => watersFill(one, row.fill_id)) ?? null);
  const done = $derived(row.done || round.watered(row.fill_id, row.fill_id));

  function press() {
    if (!done) void round.water(row.fill_id, row);
    else if (waits) void away.drop(waits);
    else if (row.change_id) void undo.take(row.change_id);
  }
</script>

<RowLine
  name={row.name}
  who={row.who}
  amount={row.amount}
  {done}
  disabled={write.busy}
  care={waits ? [waits.refused ? 'not taken' : 'waits to be sent'] : []}
  problem={write.problem}
  onpress={press}
/>
