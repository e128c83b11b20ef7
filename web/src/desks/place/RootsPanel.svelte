<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { session } from '../../app/session.svelte';
  import { working } from '../../app/working.svelte';
  import { Write } from '../../app/write.svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import RootChart from '../../charts/RootChart.svelte';
  import Button from '../../ui/Button.svelte';
  import KindMark from '../../ui/KindMark.svelte';
  import Message from '../../ui/Message.svelte';
  import FlushCard from './FlushCard.svelte';
  import SeriesPanel from './SeriesPanel.svelte';
  import TestSheet from './TestSheet.svelte';
  import WordMark from './WordMark.svelte';

  interface Props {
    roots: Schemas['RootsOut'];
    named: boolean;
  }
  const { roots, named }: Props = $props();
  const write = new Write();
  let sheet = $state<'' | 'water' | 'test'>('');

  function how() {
    working.show({ title: `How the band of ${roots.name} was got`, steps: roots.working });
    working.open();
  }

  function logs(every: boolean) {
    const params = { path: { fill_id: roots.fill_id } };
    return write.send(() =>
      ask(client.PUT('/api/fills/{fill_id}/waterings', { params, body: { logs: every } })),
    );
  }
</script>

<article aria-label={roots.name}>
  {#if named}<h2>{roots.name}</h2>{/if}
  {#if roots.verdict}
    <p class="verdict"><KindMark kind={roots.verdict.kind} />{roots.verdict.headline}</p>
    <p>
      {roots.verdict.reason}
      {#if roots.verdict.kind !== 'flush'}<a href="/bench{garden.search}">To the Bench</a>{/if}
    </p>
  {/if}
  <p class="headline">
    <WordMark word={roots.word} />{roots.headline}
    <button type="button" class="how" onclick={how}>how?</button>
  </p>
  {#if roots.flush}<FlushCard
      flush={roots.flush}
      fillId={roots.fill_id}
      subjectId={roots.subject_id}
    />{/if}
  {#each roots.doubts as doubt, at (at)}<p class="doubt">{doubt}</p>{/each}
  <RootChart
    chart={roots.chart}
    summary="{roots.name}: {roots.headline} {roots.chart.dots.length} readings on the chart."
  />
  <ul>
    {#each roots.lines as line, at (at)}<li>{line}</li>{/each}
  </ul>
  <div class="acts">
    <Button writes look={roots.flush ? 'plain' : 'go'} onclick={() => keys.read(roots.subject_id)}>
      Write down a reading
    </Button>
    <Button writes onclick={() => (sheet = 'water')}>Plain water</Button>
    <Button writes onclick={() => (sheet = 'test')}>pH, nitrate, moisture</Button>
    {#if session.owner}<label>
        <input
          type="checkbox"
          checked={roots.logs_waterings}
          onchange={(event) => logs(event.currentTarget.checked)}
        />
        I log every watering
      </label>{/if}
  </div>
  <Message problem={write.problem} />
  {#if roots.records.length}
    <details>
      <summary>Waterings and tests written down here</summary>
      <ul>
        {#each roots.records as one (one.id)}<li>{one.at}: {one.text}</li>{/each}
      </ul>
    </details>
  {/if}
  <SeriesPanel subjectId={roots.subject_id} name={roots.name} />
  <TestSheet {roots} bind:sheet />
</article>

<style>
  article {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
  }

  h2 {
    font-size: var(--text-l);
  }

  .headline {
    font-size: 1.125rem;
    line-height: 1.4;
  }

  .verdict {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    font: 650 1.25rem / 1.25 var(--face-head);
  }

  .how {
    min-height: var(--touch);
    margin-block: -10px;
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    cursor: pointer;
  }

  .doubt {
    color: var(--color-stop);
  }

  ul {
    margin: 0;
    padding-left: var(--space-4);
    color: var(--color-text-soft);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    align-items: center;
  }

  label {
    display: inline-flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  input {
    width: 22px;
    height: 22px;
    accent-color: var(--color-rim);
  }

  summary {
    min-height: var(--touch);
    padding: var(--space-2) 0;
    color: var(--color-rim);
    cursor: pointer;
  }
</style>
