<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { working } from '../../app/working.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import DoseEntry from './DoseEntry.svelte';
  import { byDay } from './entries';
  import NotebookChart from './NotebookChart.svelte';
  import ReadingEntry from './ReadingEntry.svelte';
  import StopChart from './StopChart.svelte';

  const PAGE = 40;
  let book = $state<Schemas['NotebookOut'] | null>(null);
  let problem = $state<Problem | null>(null);
  let limit = $state(PAGE);
  const zone = $derived(garden.path?.zone ?? 'UTC');
  const days = $derived(book ? byDay(book, zone) : []);

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => (working.folded = false);
  });

  $effect(() => {
    const query = { stop: garden.stop?.id ?? null, limit };
    void garden.version;
    untrack(() => void load(query));
  });

  async function load(query: { stop: string | null; limit: number }) {
    const reply = await ask(client.GET('/api/notebook', { params: { query } }));
    problem = reply.problem ?? null;
    if (reply.data) book = reply.data;
  }
</script>

<section aria-busy={!book}>
  <header>
    <div>
      <h1>Notebook{garden.stop ? `: ${garden.stop.name}` : ''}</h1>
      <p class="soft">
        {garden.stop
          ? 'what this stop was given and read'
          : 'what was poured and read, newest first'}
      </p>
    </div>
    <div class="acts">
      {#if garden.stop}
        <a href="/place{garden.search}">What its roots say</a>
        <Button onclick={() => garden.choose(null)}>The whole garden</Button>
      {/if}
      <Button aria-pressed={keys.chart} onclick={() => (keys.chart = !keys.chart)}>
        {keys.chart ? 'As a list' : 'As a chart'}
      </Button>
      <Button onclick={() => keys.read()}>Write down a reading</Button>
    </div>
  </header>
  {#if problem}
    <p class="trouble" role="alert">{problem.message}</p>
    <Button onclick={() => load({ stop: garden.stop?.id ?? null, limit })}>Try again</Button>
  {/if}
  {#if book && days.length === 0}
    <p>Nothing here yet. Pour a can on the Bench, and it stands here with its figures.</p>
    <a href="/bench{garden.search}">To the Bench</a>
  {/if}
  {#if book && days.length && keys.chart}
    {#if garden.stop}<StopChart stopId={garden.stop.id} />{:else}<NotebookChart
        {book}
        {zone}
      />{/if}
  {/if}
  {#each keys.chart ? [] : days as day (day.name)}
    <h2>{day.name}</h2>
    <ul>
      {#each day.entries as entry (entry.id)}
        <li>
          {#if entry.dose}
            <DoseEntry dose={entry.dose} {zone} />
          {:else if entry.reading}
            <ReadingEntry reading={entry.reading} {zone} drain />
          {/if}
        </li>
      {/each}
    </ul>
  {/each}
  {#if book?.more}<Button onclick={() => (limit += PAGE)}>Earlier</Button>{/if}
</section>

<style>
  section {
    padding: var(--space-3) 22px var(--space-8);
  }

  header {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    align-items: flex-start;
    justify-content: space-between;
  }

  h1 {
    font-size: 1.5625rem;
  }

  h2 {
    margin: var(--space-4) 0 var(--space-2);
    font-size: var(--text-l);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .trouble {
    margin: var(--space-3) 0;
    color: var(--color-stop);
  }

  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  @media (width <= 700px) {
    section {
      padding-inline: var(--space-4);
    }
  }
</style>
