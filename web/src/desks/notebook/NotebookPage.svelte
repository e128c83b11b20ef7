<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Page from '../../ui/Page.svelte';
  import DoseEntry from './DoseEntry.svelte';
  import { byDay, joined } from './entries';
  import NotebookChart from './NotebookChart.svelte';
  import OtherEntry from './OtherEntry.svelte';
  import ReadingEntry from './ReadingEntry.svelte';
  import StopChart from './StopChart.svelte';

  const PAGE = 40;
  const pages = new Resource<Schemas['NotebookOut']>();
  const book = $derived(pages.data);
  const zone = $derived(garden.path?.zone ?? 'UTC');
  const days = $derived(book ? byDay(book, zone) : []);
  /** As many entries as have been asked for stay in view when something changes. */
  let asked = $state(PAGE);
  let shown = '';

  follow(
    () => [garden.stop?.id ?? null, garden.version] as const,
    ([stop]) => {
      if (shown !== (stop ?? '')) {
        pages.clear();
        asked = PAGE;
      }
      shown = stop ?? '';
      const query = { stop, limit: Math.min(500, asked) };
      void pages.load((signal) => ask(client.GET('/api/notebook', { params: { query }, signal })));
    },
  );

  function earlier() {
    const [newer, stop] = [book, garden.stop?.id ?? null];
    asked += PAGE;
    void pages.load(async (signal) => {
      const query = { stop, limit: PAGE, before: newer?.next ?? '' };
      const reply = await ask(client.GET('/api/notebook', { params: { query }, signal }));
      return reply.data ? { data: joined(newer, reply.data) } : reply;
    });
  }
</script>

<Page
  title="Notebook{garden.stop ? `: ${garden.stop.name}` : ''}"
  sub={garden.stop
    ? 'what this stop was given, read and seen'
    : 'what was poured, read and seen, newest first'}
  of={pages}
  charts={keys.chart}
  waiting="Opening the notebook…"
>
  {#snippet acts()}
    {#if garden.stop}
      <a href="/place{garden.search}">What its roots say</a>
      <Button onclick={() => garden.choose(null)}>The whole garden</Button>
    {/if}
    <Button aria-pressed={keys.chart} onclick={() => (keys.chart = !keys.chart)}>
      {keys.chart ? 'As a list' : 'As a chart'}
    </Button>
    <Button writes onclick={() => keys.read()}>Write down a reading</Button>
    <Button writes onclick={() => (keys.looksOpen = true)}>How do they look?</Button>
    <ButtonLink href="/signs{garden.search}">What is wrong?</ButtonLink>
    <ButtonLink href="/trials{garden.search}">Did it help?</ButtonLink>
  {/snippet}
  {#if book && days.length === 0}
    <p>Nothing here yet. Pour a can on the Bench, and it stands here with its figures.</p>
    <a href="/bench{garden.search}">To the Bench</a>
  {/if}
  {#if book && days.length && keys.chart}
    {#if garden.stop}
      <StopChart stopId={garden.stop.id} />
    {:else}
      <NotebookChart {book} {zone} />
    {/if}
  {/if}
  {#each keys.chart ? [] : days as day (day.name)}
    <section>
      <h2>{day.name}</h2>
      <ul>
        {#each day.entries as entry (entry.id)}
          <li>
            {#if entry.dose}
              <DoseEntry dose={entry.dose} {zone} />
            {:else if entry.reading}
              <ReadingEntry reading={entry.reading} {zone} drain />
            {:else if entry.other}
              <OtherEntry other={entry.other} {zone} />
            {/if}
          </li>
        {/each}
      </ul>
    </section>
  {/each}
  {#if book?.more}
    <div><Button disabled={pages.busy} onclick={earlier}>Earlier</Button></div>
  {:else if days.length && !keys.chart}
    <p class="soft">This is the first page of the notebook.</p>
  {/if}
</Page>

<style>
  h2 {
    margin-bottom: var(--space-2);
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
  }

  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }
</style>
