<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import SpanChart from '../../charts/SpanChart.svelte';
  import Button from '../../ui/Button.svelte';
  import { newId } from '../../ui/ids';

  const { subjectId, name }: { subjectId: string; name: string } = $props();
  let series = $state<Schemas['SeriesOut'] | null>(null);
  let days = $state(0);
  let back = $state(0);
  let problem = $state<Problem | null>(null);
  let busy = $state(false);
  const SPANS = [
    { days: 0, name: 'All' },
    { days: 365, name: 'A year' },
    { days: 90, name: '90 days' },
    { days: 30, name: '30 days' },
    { days: 7, name: 'A week' },
  ];

  $effect(() => {
    const asked = { id: subjectId, days, back };
    void garden.version;
    untrack(() => void load(asked));
  });

  async function load(asked: { id: string; days: number; back: number }) {
    const params = {
      path: { subject_id: asked.id },
      query: { days: asked.days, back: asked.back },
    };
    const reply = await ask(client.GET('/api/subjects/{subject_id}/series', { params }));
    if (reply.data) series = reply.data;
  }

  async function take(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (!file) return;
    const form = new FormData();
    form.append('id', newId());
    form.append('subject_id', subjectId);
    form.append('file', file);
    busy = true;
    const reply = await ask(
      client.POST('/api/series', {
        body: form as unknown as { id: string; subject_id: string; file: string },
        bodySerializer: (body) => body as unknown as FormData,
      }),
    );
    busy = false;
    input.value = '';
    problem = reply.problem ?? null;
    if (!reply.data) return;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<details open={(series?.total ?? 0) > 0}>
  <summary
    >A logger's readings{series?.total ? `: ${series.total.toLocaleString('en-GB')}` : ''}</summary
  >
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
    <SpanChart {series} summary="A logger in {name}: least and most over time." />
  {/if}
  <label>
    <span>Take in a table: a time and mS/cm in each line</span>
    <input
      type="file"
      accept=".csv,.txt,text/csv,text/plain"
      disabled={busy}
      onchange={(event) => void take(event.currentTarget)}
    />
  </label>
  {#if busy}
    <p>Reading the table…</p>
    <progress aria-label="Reading the table"></progress>
  {/if}
  {#if problem}<p class="trouble" role="alert">{problem.message}</p>{/if}
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

  input {
    min-height: var(--touch);
    font: inherit;
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
