<!-- A can to mix: its recipe in large lines, then the stops it serves. -->
<script lang="ts">
  import { keys } from '../../app/keys.svelte';
  import { working } from '../../app/working.svelte';
  import CorrectionCard from '../notebook/CorrectionCard.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import { round, type RoundCan } from './round.svelte';
  import TickRow from './TickRow.svelte';

  const { can }: { can: RoundCan } = $props();
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

<section aria-label="Can {can.letter}" class:over={!open}>
  <header>
    <h2>Can {can.letter}</h2>
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
    <div class="acts">
      <Button disabled={write.busy} onclick={read}>Read the can</Button>
      {#if can.working.length}<button type="button" class="how" onclick={how}>how?</button>{/if}
    </div>
  </header>
  {#if can.vessel && !can.mixed}<p class="soft">In the {can.vessel}. {can.why}</p>{/if}
  {#if can.mixed && open}<p class="soft">Mixed: it stands there for these stops.</p>{/if}
  {#if can.mixed}<CorrectionCard canId={can.id} />{/if}
  <Message problem={write.problem} />
  <ul>
    {#each can.rows as row (row.fill_id)}
      <TickRow {can} {row} />
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
    padding: var(--space-3) var(--space-4);
    border-bottom: 1px dashed var(--color-edge);
    background: var(--color-panel-low);
  }

  h2 {
    font-size: var(--text-l);
    white-space: nowrap;
  }

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

  .reads span,
  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .soft {
    padding: var(--space-2) var(--space-4) 0;
  }

  .acts {
    display: grid;
    justify-items: center;
  }

  .how {
    min-height: var(--touch);
    padding: 0 var(--space-3);
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

  @media print {
    .acts {
      display: none;
    }
  }

  @media (width <= 700px) {
    header {
      grid-template-columns: minmax(0, 1fr) auto;
    }

    ol {
      display: grid;
      grid-column: 1 / -1;
      grid-row: 2;
    }

    li b {
      font-size: var(--text-xxl);
    }

    .acts {
      grid-column: 1 / -1;
      display: flex;
      gap: var(--space-2);
    }
  }
</style>
