<!-- A year looked back at: what each got beside what it wanted; and the next one, one by one. -->
<script lang="ts">
  import { searchParams } from 'sv-router';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Page from '../../ui/Page.svelte';
  import { dayOf } from '../../ui/time';
  import NextYear from './NextYear.svelte';
  import YearTable from './YearTable.svelte';

  const now = $derived(
    garden.path ? Number(dayOf(garden.path.now, garden.path.zone).slice(0, 4)) : 0,
  );
  const year = $derived(Number(searchParams.get('year') ?? 0) || now);
  const read = new Resource<Schemas['YearOut']>();
  const other = new Resource<Schemas['YearOut']>();
  const page = $derived(read.data);
  let beside = $state('');

  follow(
    () => [year, garden.version] as const,
    ([wanted]) => {
      const params = { path: { year: wanted } };
      if (wanted)
        void read.load((signal) => ask(client.GET('/api/year/{year}', { params, signal })));
    },
  );

  function compare(picked: string) {
    beside = picked;
    const params = { path: { year: Number(picked) } };
    if (picked)
      void other.load((signal) => ask(client.GET('/api/year/{year}', { params, signal })));
  }
</script>

<Page
  title={year ? `The year ${year}` : 'The year'}
  sub={page ? `${page.cans} cans · ${page.litres} · ${page.hours}` : ''}
  of={read}
  waiting="Adding up the year…"
>
  {#snippet acts()}
    {#if page}
      <Choice
        label="Year"
        value={String(year)}
        options={page.years.map((one) => ({ value: String(one), name: String(one) }))}
        onchange={(picked) => searchParams.set('year', picked)}
      />
      {#if page.years.length > 1}
        <Choice
          label="Beside it"
          value={beside}
          options={[
            { value: '', name: 'alone' },
            ...page.years
              .filter((one) => one !== year)
              .map((one) => ({ value: String(one), name: `beside ${one}` })),
          ]}
          onchange={compare}
        />
      {/if}
      <ButtonLink href="/learned">What was learned</ButtonLink>
      <ButtonLink href="/api/year-table/{year}.csv">As a table</ButtonLink>
      <Button onclick={() => print()}>Print</Button>
    {/if}
  {/snippet}
  {#if page}
    {#if page.lines.length}
      <section aria-labelledby="next-lines">
        <h2 id="next-lines">What to do otherwise</h2>
        <ul class="lines">
          {#each page.lines as line (line)}<li>{line}</li>{/each}
        </ul>
      </section>
    {/if}
    <div class="years" class:two={beside && other.data}>
      <YearTable {page} />
      {#if beside && other.data}<YearTable page={other.data} />{/if}
    </div>
    {#if year === now}<NextYear />{/if}
  {/if}
</Page>

<style>
  h2 {
    font-size: var(--text-l);
  }

  .lines {
    margin: 0;
    padding-left: var(--space-4);
    font-size: var(--text-l);
  }

  .years {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-4);
  }

  .two {
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  }
</style>
