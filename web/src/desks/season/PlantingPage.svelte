<script lang="ts">
  import { searchParams } from 'sv-router';
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import Page from '../../ui/Page.svelte';
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
  const found = season.planting;
  const page = $derived(found.data?.id === id ? found.data : null);
  const since = $derived.by(() => {
    if (!page) return '';
    const ended = page.ended_on ? `, ended ${dateShort(page.ended_on)}` : '';
    const looked = page.looked_on ? ` · last look ${dateShort(page.looked_on)}` : '';
    return `begun ${dateShort(page.started_on)}${ended}${looked}`;
  });

  follow(
    () => [id, garden.version] as const,
    ([wanted]) => wanted && void season.loadPage(wanted),
  );

  $effect(() => {
    if (page) working.advice = page.advice;
  });
</script>

<Page
  title={page ? `${page.counted}, ${page.place}` : 'A planting'}
  sub={since}
  of={id ? found : undefined}
  charts
  waiting="Working out the books…"
>
  {#snippet acts()}<a class="back" href="/season{garden.search}">Back to the season</a>{/snippet}
  {#if page}
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
  {:else if !id}
    <p>Choose a planting on the season’s strips.</p>
  {/if}
</Page>

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

  i {
    color: var(--color-text-soft);
    font-style: normal;
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
