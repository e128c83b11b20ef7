<script lang="ts">
  import { counted } from '../../ui/language';
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import { session } from '../../app/session.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import LedgerPanel from './LedgerPanel.svelte';
  import CalendarSheet from './CalendarSheet.svelte';
  import { explainComing } from './explain';
  import GreenRows from './GreenRows.svelte';
  import PlanPanel from './PlanPanel.svelte';
  import PlantingSummary from './PlantingSummary.svelte';
  import RehearseSheet from './RehearseSheet.svelte';
  import { season } from './season.svelte';
  import SeasonChart from './SeasonChart.svelte';
  import type { Strip } from './strips';
  import AwayLines from '../year/AwayLines.svelte';
  import AwaySheet from '../year/AwaySheet.svelte';
  import WeatherSheet from './WeatherSheet.svelte';

  const FURTHEST = 24;
  let chosen = $state('');
  let weatherOpen = $state(false);
  let tryOpen = $state(false);
  let calendarOpen = $state(false);
  let awayOpen = $state(false);
  const plan = $derived(season.plan.data);
  const data = $derived(season.strips.data);
  const strips = $derived(
    (data?.strips ?? []).filter((one) => !garden.stop || one.place_id === garden.stop.id),
  );
  const strip = $derived(
    strips.find((one) => one.planting_id === chosen) ?? (garden.stop ? strips[0] : undefined),
  );
  const planting = $derived(season.planting.data);
  const gifts = $derived(strips.reduce((sum, one) => sum + one.drops.length, 0));

  follow(
    () => [season.ahead, garden.version] as const,
    ([ahead]) => void season.load(ahead),
  );

  follow(
    () => garden.version,
    () => void season.loadPlan(),
  );

  follow(
    () => [strip?.planting_id, garden.version] as const,
    ([id]) => id && void season.loadPage(id),
  );

  $effect(() => {
    if (planting) working.advice = planting.advice;
  });

  /** To choose a strip is to choose its stop: the desk narrows to it. */
  function choose(one: Strip) {
    chosen = one.planting_id;
    const stop = garden.stops.find((other) => other.id === one.place_id);
    if (stop && stop.id !== garden.stop?.id) garden.choose(stop);
  }
</script>

<Page
  title="The season{garden.stop ? `: ${garden.stop.name}` : ''}"
  sub={data ? `thirty weeks · ${counted(gifts, 'feed')} given · ${data.climate}` : ''}
  charts
  of={season.strips}
  waiting="Laying out the season…"
>
  {#snippet acts()}
    {#if garden.stop}<Button onclick={() => garden.choose(null)}>The whole garden</Button>{/if}
    <Button disabled={season.ahead <= 4} onclick={() => (season.ahead -= 4)}>Earlier</Button>
    <Button disabled={season.ahead >= FURTHEST} onclick={() => (season.ahead += 4)}>Later</Button>
    <Button onclick={() => (tryOpen = true)}>Try it out first</Button>
    <Button onclick={() => (calendarOpen = true)}>Calendar</Button>
    <ButtonLink href="/year">The year</ButtonLink>
    {#if session.owner}<Button onclick={() => (awayOpen = true)}>Away</Button>{/if}
    {#if session.owner}<Button onclick={() => (weatherOpen = true)}>Own weather</Button>{/if}
    <Button onclick={() => print()}>Print</Button>
  {/snippet}
  {#if data}
    <AwayLines aways={data.aways} />
    <GreenRows
      green={data.green.filter((one) => !garden.stop || one.place_id === garden.stop.id)}
    />
  {/if}
  {#if data && strips.length === 0}
    <p>
      {garden.stop ? 'Nothing grows here.' : 'Nothing grows yet.'} Say what grows where, and its stages
      stand here.
    </p>
    <a href="/setup{garden.search}">Add what grows</a>
  {:else if data}
    <div class="split" class:whole={!strip}>
      <div class="strips">
        <SeasonChart
          {data}
          {strips}
          coming={plan?.events ?? []}
          onwhy={explainComing}
          chosen={strip?.planting_id ?? ''}
          onchoose={choose}
        />
        {#if plan}<PlanPanel {plan} {strip} />{/if}
        <Message problem={season.plan.problem} again={season.plan.again} />
      </div>
      {#if strip && planting?.id === strip.planting_id}
        <div class="side"><PlantingSummary page={planting} /></div>
        <div class="books"><LedgerPanel page={planting} /></div>
      {:else if strip && season.planting.problem}
        <div class="side">
          <Message problem={season.planting.problem} again={season.planting.again} />
        </div>
      {:else if strip}
        <p class="soft side" aria-busy="true">Working out the books…</p>
      {:else}
        <p class="soft hint">Choose a strip to see what that planting takes and what it gets.</p>
      {/if}
    </div>
  {/if}
</Page>
<WeatherSheet bind:open={weatherOpen} />
{#if plan}<RehearseSheet bind:open={tryOpen} rhythms={plan.habits.rhythms} />{/if}
<AwaySheet bind:open={awayOpen} />
<CalendarSheet bind:open={calendarOpen} />

<style>
  .soft {
    color: var(--color-text-soft);
  }

  .split {
    display: grid;
    grid-template: auto 1fr / minmax(0, 1fr) 250px;
    grid-template-areas: 'strips side' 'books side';
    gap: var(--space-4) var(--space-6);
  }

  .whole {
    grid-template: auto auto / minmax(0, 1fr);
    grid-template-areas: 'strips' 'books';
  }

  .strips {
    grid-area: strips;
    min-width: 0;
  }

  .side {
    grid-area: side;
  }

  .books {
    grid-area: books;
    min-width: 0;
  }

  .hint {
    padding-left: 10px;
  }

  @media print {
    .hint {
      display: none;
    }
  }

  @media (width <= 1000px) {
    .split {
      grid-template: auto auto auto / minmax(0, 1fr);
      grid-template-areas: 'strips' 'side' 'books';
    }
  }
</style>
