<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { searchParams } from 'sv-router';
  import { garden } from '../../app/garden.svelte';
  import { working } from '../../app/working.svelte';
  import Button from '../../ui/Button.svelte';
  import LedgerPanel from './LedgerPanel.svelte';
  import PlantingCare from './PlantingCare.svelte';
  import PlantingSummary from './PlantingSummary.svelte';
  import { season } from './season.svelte';
  import StageList from './StageList.svelte';
  import { dateShort } from './strips';

  const KINDS: Record<string, string> = {
    doses: 'fed',
    dressings: 'dry feed',
    look: 'look',
    test: 'test',
    stand: 'place',
  };
  const id = $derived(String(searchParams.get('planting') ?? ''));
  const page = $derived(season.page?.id === id ? season.page : null);

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => (working.folded = false);
  });

  $effect(() => {
    const wanted = id;
    void garden.version;
    if (wanted) untrack(() => void season.loadPage(wanted));
  });

  $effect(() => {
    if (page) working.advice = page.advice;
  });
</script>

<section aria-busy={!page}>
  {#if season.problem && !page}
    <h1>This planting did not load</h1>
    <p class="trouble" role="alert">{season.problem.message}</p>
    <Button onclick={() => season.loadPage(id)}>Try again</Button>
  {/if}
  <a class="back" href="/season{garden.search}">Back to the season</a>
  {#if page}
    <header>
      <h1>{page.counted}, {page.place}</h1>
      <p class="soft">
        begun {dateShort(page.started_on)}{page.ended_on
          ? `, ended ${dateShort(page.ended_on)}`
          : ''}
        {page.looked_on ? `· last look ${dateShort(page.looked_on)}` : ''}
      </p>
    </header>
    <div class="split">
      <StageList {page} />
      <div class="side">
        <PlantingSummary {page} whole />
        <PlantingCare {page} />
      </div>
    </div>
    <LedgerPanel {page} />
    <section class="history" aria-label="History">
      <h2>What was done and seen</h2>
      <ol>
        {#each page.events as event, index (index)}
          <li><b>{dateShort(event.on)}</b> <i>{KINDS[event.kind]}</i> {event.text}</li>
        {/each}
      </ol>
    </section>
  {:else if !season.problem}
    <p class="soft">Working out the books…</p>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-4);
    align-content: start;
    padding: var(--space-3) 22px var(--space-8);
  }

  .history {
    padding: 0;
  }

  h1 {
    font-size: 1.5625rem;
  }

  h2 {
    font-size: var(--text-l);
  }

  .back {
    display: inline-flex;
    align-items: center;
    width: max-content;
    min-height: var(--touch);
  }

  .split {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-6);
  }

  .side {
    display: grid;
    gap: var(--space-4);
    align-content: start;
  }

  .soft,
  i {
    color: var(--color-text-soft);
    font-style: normal;
  }

  .trouble {
    color: var(--color-stop);
  }

  ol {
    display: grid;
    gap: var(--space-1);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li b {
    display: inline-block;
    min-width: 64px;
  }

  li i {
    display: inline-block;
    min-width: 64px;
    font-size: var(--text-s);
  }

  @media print {
    .back {
      display: none;
    }
  }

  @media (width <= 900px) {
    .split {
      grid-template-columns: minmax(0, 1fr);
    }
  }

  @media (width <= 700px) {
    section {
      padding-inline: var(--space-4);
    }

    .history {
      padding: 0;
    }
  }
</style>
