<!-- A can to mix: what goes in, drawn, then the stops it serves. -->
<script lang="ts">
  import { keys } from '../../app/keys.svelte';
  import { working } from '../../app/working.svelte';
  import CanRecipe from './CanRecipe.svelte';
  import CorrectionCard from '../notebook/CorrectionCard.svelte';
  import Message from '../../ui/Message.svelte';
  import { rowsOf } from './areas';
  import AreaRow from './AreaRow.svelte';
  import { round, type RoundCan } from './round.svelte';
  import PlainRow from './PlainRow.svelte';
  import TickRow from './TickRow.svelte';
  import { may } from '../../ui/may.svelte';

  interface Props {
    can: RoundCan;
    /** The can that is filled next: a phone draws it larger. */
    inHand: boolean;
  }
  const { can, inHand }: Props = $props();
  const write = $derived(round.write(can.id));
  const open = $derived(can.rows.some((row) => row.now && row.done.length === 0));

  /** To be read it has to stand there: it is mixed first. */
  async function read() {
    if (!can.subject_id) await round.mix(can);
    await round.load();
    const mixed = round.today.data?.cans.find((one) => one.id === can.id);
    if (mixed?.subject_id) keys.read(mixed.subject_id);
  }

  function how() {
    working.show({
      title: `Can ${can.letter}: how it was got`,
      plain: can.why,
      steps: can.working,
    });
    working.open();
  }
</script>

<section aria-label="Can {can.letter}" class:over={!open} class:hand={inHand} class:later={!inHand}>
  <header>
    <h2>Can {can.letter}{can.fills > 1 ? ` ×${can.fills}` : ''}</h2>
    <CanRecipe {can} onread={may.write ? read : undefined} small={!inHand} />
    <div class="acts">
      {#if can.mixed && may.write}
        <button type="button" class="how" onclick={() => round.takeBack(can)}
          >undo<span class="unseen"> the can</span></button
        >
      {:else if can.working.length}
        <button type="button" class="how" onclick={how}>how?</button>
      {/if}
    </div>
  </header>
  {#if can.mixed}<CorrectionCard canId={can.id} />{/if}
  <Message problem={write.problem} />
  <ul>
    {#each rowsOf(can.rows) as group (group.key)}
      {#if group.area}
        <AreaRow {can} area={group.area} rows={group.rows} />
      {:else}
        {#each group.rows as row (row.fill_id)}<TickRow {can} {row} />{/each}
      {/if}
    {/each}
    {#each can.plain as row (row.fill_id)}
      <PlainRow {row} />
    {/each}
  </ul>
</section>

<style>
  section {
    overflow: hidden;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  .over {
    border-color: var(--color-line);
  }

  header {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto auto;
    gap: var(--space-2) var(--space-4);
    align-items: center;
    padding: var(--space-2) var(--space-4);
    border-bottom: 1px dashed var(--color-edge);
    background: var(--color-panel-low);
  }

  h2 {
    font-size: var(--text-l);
    white-space: nowrap;
  }

  .acts {
    display: flex;
    align-items: center;
  }

  .how {
    min-width: var(--touch);
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    cursor: pointer;
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  @media (width <= 700px) {
    header {
      grid-template-columns: minmax(0, 1fr) auto auto;
      gap: var(--space-1) var(--space-2);
      padding: var(--space-1) var(--space-3);
    }

    .how {
      display: none;
    }

    header > :global(.lines) {
      grid-column: 1 / -1;
      grid-row: 2;
    }

    /* the pen stands beside the water of the can in hand */
    .hand :global(.lines li:last-child) {
      padding-right: 104px;
    }

    .later > header > :global(.reads) {
      display: none;
    }

    header > :global(.reads) {
      grid-column: -2;
      grid-row: 2;
      align-self: end;
    }

    .hand :global(.lines li) {
      min-height: 58px;
    }

    .hand :global(.tick) {
      min-height: 60px;
    }
  }

  @media print {
    .acts {
      display: none;
    }

    /* the recipe below, as wide as the column */
    header {
      grid-template-columns: minmax(0, 1fr) auto;
    }

    header > :global(.lines) {
      grid-row: 2;
      grid-column: 1 / -1;
    }
  }
</style>
