<!-- Stops of one area that get alike: one press ticks them all, another opens them. -->
<script lang="ts">
  import { counted } from '../../ui/language';
  import { round, type RoundCan, type RoundRow } from './round.svelte';
  import RowLine from './RowLine.svelte';
  import TickRow from './TickRow.svelte';

  interface Props {
    can: RoundCan;
    area: string;
    rows: RoundRow[];
  }
  const { can, area, rows }: Props = $props();
  let open = $state(false);
  const left = $derived(rows.filter((row) => row.now && !round.ticked(row)));
  const done = $derived(left.length === 0);

  async function press() {
    for (const row of left) await round.tick(can, row);
  }
</script>

<RowLine
  name={area}
  who={counted(rows.length, 'stop')}
  amount={rows[0]?.amount ?? ''}
  {done}
  disabled={done}
  onpress={press}
>
  {#snippet aside()}
    <button type="button" aria-expanded={open} onclick={() => (open = !open)}>
      {open ? 'fold' : 'open'}<span class="unseen"> {area}</span>
    </button>
  {/snippet}
</RowLine>
{#if open}
  {#each rows as row (row.fill_id)}<TickRow {can} {row} />{/each}
{/if}
