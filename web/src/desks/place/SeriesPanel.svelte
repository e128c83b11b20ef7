<script lang="ts">
  import { many } from '../../ui/language';
  import { ask, client, type Schemas } from '../../api/client';
  import { asItIs } from '../../api/files';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import SpanChart from '../../charts/SpanChart.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import { may } from '../../ui/may.svelte';

  const { subjectId, name }: { subjectId: string; name: string } = $props();
  const LOOKS_MS = 700;
  let far = $state<Schemas['ProgressOut'] | null>(null);
  const read = new Resource<Schemas['SeriesOut']>();
  const write = new Write();
  const series = $derived(read.data);
  let order = $state<'' | 'dmy' | 'mdy'>('');
  let days = $state(0);
  let back = $state(0);
  const SPANS = [
    { days: 0, name: 'All' },
    { days: 365, name: 'A year' },
    { days: 90, name: '90 days' },
    { days: 30, name: '30 days' },
    { days: 7, name: 'A week' },
  ];

  follow(
    () => ({ subject_id: subjectId, days, back, version: garden.version }),
    ({ subject_id, ...query }) => {
      const params = { path: { subject_id }, query: { days: query.days, back: query.back } };
      void read.load((signal) =>
        ask(client.GET('/api/subjects/{subject_id}/series', { params, signal })),
      );
    },
  );

  /** While a table is taken in, how far it is. */
  $effect(() => {
    if (!write.busy) return;
    const params = { path: { series_id: write.id() } };
    const asking = setInterval(() => {
      void ask(client.GET('/api/series/{series_id}', { params })).then(({ data }) => {
        if (data) far = data;
      });
    }, LOOKS_MS);
    return () => {
      clearInterval(asking);
      far = null;
    };
  });

  function callOff() {
    const params = { path: { series_id: write.id() } };
    return ask(client.DELETE('/api/series/{series_id}', { params }));
  }

  async function take(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (!file) return;
    const dates = order || undefined;
    const params = { query: { id: write.id(), subject_id: subjectId, dates } };
    await write.send(() => ask(client.POST('/api/series', { params, ...asItIs(file) })));
    input.value = '';
  }
</script>

<details open={(series?.total ?? 0) > 0}>
  <summary>A logger's readings{series?.total ? `: ${many(series.total)}` : ''}</summary>
  {#if series?.total}
    <div class="spans" role="group" aria-label="How long a span">
      {#each SPANS as span (span.days)}
        <button
          type="button"
          aria-pressed={days === span.days}
          onclick={() => ([days, back] = [span.days, 0])}>{span.name}</button
        >
      {/each}
      {#if days}
        <Button onclick={() => (back += days)}>Earlier</Button>
        <Button disabled={back === 0} onclick={() => (back = Math.max(0, back - days))}
          >Later</Button
        >
      {/if}
    </div>
    {#if series.told}<p>{series.told}</p>{/if}
    {#if series.left_out.length}
      <details>
        <summary>Lines that were left out</summary>
        <ol>
          {#each series.left_out as line (line.number)}
            <li value={line.number}>{line.text}</li>
          {/each}
        </ol>
        <a href="/api/series/{series.id}/left-out.txt" download>As a file</a>
      </details>
    {/if}
    <SpanChart {series} summary="A logger in {name}: least and most over time." />
  {/if}
  {#if may.write}
    <label>
      <span>Take in a table: a time and mS/cm in each line</span>
      <input
        type="file"
        accept=".csv,.txt,text/csv,text/plain"
        disabled={write.busy}
        onchange={(event) => void take(event.currentTarget)}
      />
    </label>
    <label>
      <span>Its dates</span>
      <select bind:value={order}>
        <option value="">as they tell themselves</option>
        <option value="dmy">day first: 3/4 is in April</option>
        <option value="mdy">month first: 3/4 is in March</option>
      </select>
    </label>
  {/if}
  {#if write.busy}
    <p aria-live="polite">
      {far?.written ? `${many(far.written)} hours written` : 'Reading the table…'}
    </p>
    <progress
      aria-label="Taking the table in"
      value={far?.written ? far.written : undefined}
      max={far?.most ?? 1}
    ></progress>
    <Button onclick={callOff}>Call it off</Button>
  {/if}
  <Message problem={write.problem ?? read.problem} />
</details>

<style>
  summary {
    min-height: var(--touch);
    padding: var(--space-2) 0;
    color: var(--color-rim);
    cursor: pointer;
  }

  .spans {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .spans > button {
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    cursor: pointer;
  }

  .spans > button[aria-pressed='true'] {
    border: 2px solid var(--color-rim);
    background: var(--color-rim-tint);
  }

  label {
    display: grid;
    gap: var(--space-1);
    margin-top: var(--space-2);
    font-weight: 550;
  }

  input,
  select {
    min-height: var(--touch);
    font: inherit;
  }
</style>
