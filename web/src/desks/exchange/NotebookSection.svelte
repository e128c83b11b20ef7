<!-- A notebook kept elsewhere: chosen, looked over, taken in. -->
<script lang="ts">
  import { many } from '../../ui/language';
  import { dateInWords } from '../../ui/time';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import Section from '../setup/Section.svelte';
  import ColumnsTable from './ColumnsTable.svelte';
  import { NotebookFile, type Order } from './notebookFile.svelte';
  import UnreadRows from './UnreadRows.svelte';

  const table = new NotebookFile();
  const looked = $derived(table.looked);
  const ORDERS: { value: Order; name: string }[] = [
    { value: 'ymd', name: 'year, month, day' },
    { value: 'dmy', name: 'day first: 3/4 is in April' },
    { value: 'mdy', name: 'month first: 3/4 is in March' },
  ];
  type Looked = NonNullable<typeof looked>;
  /** Orders in which the doubtful dates can be read. */
  const ordersOf = (found: Looked): Order[] => [
    ...new Set(found.doubts.flatMap((one) => one.ways.map((way) => way.order))),
  ];
  const meant = (one: Looked['doubts'][number], order: Order) => {
    const day = one.ways.find((way) => way.order === order)?.day;
    return day ? dateInWords(day) : 'no day';
  };
  const parts = $derived(looked?.ratio.split(/[:/]/)[1]?.trim() ?? '');
  const unsure = $derived(Boolean(looked?.missing || looked?.doubtful || looked?.ratio));
</script>

<Section title="A notebook from elsewhere" empty="" count={1}>
  <p>
    Feeds, readings, harvests, notes or jars, as CSV or a spreadsheet. Nothing is written before you
    have seen how Dace reads it.
  </p>
  <label class="file">
    <span>The table</span>
    <input
      type="file"
      accept=".csv,.txt,.xlsx"
      disabled={table.busy !== ''}
      onchange={(event) => void table.choose(event.currentTarget.files?.[0] ?? null)}
    />
  </label>
  {#if table.busy}
    <p aria-live="polite">
      {table.busy === 'looking' ? 'Reading the table…' : 'Taking it in…'}
      {#if table.far?.most}{many(table.far.done)} of {many(table.far.most)} rows{/if}
    </p>
    <progress
      aria-label="The table"
      value={table.far?.most ? table.far.done : undefined}
      max={table.far?.most || 1}
    ></progress>
  {/if}
  <Message problem={table.problem} />
  {#if looked}
    <div class="said">
      <Choice
        label="It holds"
        labelled
        value={looked.kind}
        options={looked.kinds.map((kind) => ({ value: kind.key, name: kind.name }))}
        onchange={(kind) => void table.sayKind(kind)}
      />
      {#if looked.sheets.length > 1}
        <Choice
          label="Sheet"
          labelled
          value={looked.sheet}
          options={looked.sheets.map((name) => ({ value: name, name }))}
          onchange={(name) => void table.saySheet(name)}
        />
      {/if}
      <Choice
        label="Its dates are"
        labelled
        value={looked.dates}
        options={ORDERS}
        onchange={(order) => void table.sayDates(order as Order)}
      />
    </div>
    <ColumnsTable
      {looked}
      oncolumn={(index, key) => void table.sayColumn(index, key)}
      onunit={(key, unit) => void table.sayUnit(key, unit)}
    />
    {#if looked.missing}<p class="care" role="status">{looked.missing}</p>{/if}
    {#if looked.doubts.length}
      <div class="care" role="status">
        <p>Some dates may mean several days. Which is meant?</p>
        <div class="ways">
          {#each ordersOf(looked) as order (order)}
            <Button onclick={() => void table.sayDates(order)}>
              {#each looked.doubts as one (one.cell)}
                <span class="way">{one.cell}: {meant(one, order)}</span>
              {/each}
            </Button>
          {/each}
        </div>
      </div>
    {:else if looked.doubtful}<p class="care" role="status">{looked.doubtful}</p>{/if}
    {#if looked.ratio}
      <div class="care" role="status">
        <p>What does {looked.ratio} mean in this table?</p>
        <div class="ways">
          <Button onclick={() => void table.sayRatio('parts')}>1 part and {parts} of water</Button>
          <Button onclick={() => void table.sayRatio('in_all')}>1 part in {parts} of all</Button>
        </div>
      </div>
    {/if}
    {#if looked.odd.length}
      <div class="care">
        <p>Look at these days again before you take them in:</p>
        <ul>
          {#each looked.odd as one (one.row)}<li>row {one.row}: {one.text}</li>{/each}
        </ul>
      </div>
    {/if}
    {#if looked.shown.length}
      <p>Read as, for example:</p>
      <ul>
        {#each looked.shown as line, at (at)}<li>{line}</li>{/each}
      </ul>
    {/if}
    <p role="status">
      <b>{many(looked.good)} of {many(looked.total)} rows to take in</b>{looked.here
        ? `, ${many(looked.here)} here already`
        : ''}{looked.broken ? `, ${many(looked.broken)} that cannot be read` : ''}.
    </p>
    <UnreadRows {looked} {table} />
    {#if looked.good && !unsure}
      <Button look="go" disabled={table.busy !== ''} onclick={() => void table.take(true)}>
        {looked.broken
          ? `Take ${many(looked.good)} in, leave ${many(looked.broken)} out`
          : `Take ${many(looked.good)} in`}
      </Button>
    {/if}
    {#if table.told}<p role="status">{table.told}</p>{/if}
  {/if}
</Section>

<style>
  p {
    max-width: 68ch;
  }

  .file {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-1);
    font-weight: 550;
  }

  input {
    min-height: var(--touch);
    font: inherit;
  }

  .said {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
  }

  .care {
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
  }

  ul {
    margin: 0;
    padding-left: 1.2em;
  }
</style>
