<script lang="ts">
  import Fish from '../drawings/Fish.svelte';
  import { dayInWords } from '../ui/time';
  import { garden } from './garden.svelte';
  import { DESKS } from './desks';
  import { follow } from './resource.svelte';
  import { route } from './router';
  import { session } from './session.svelte';
  import { loadWeather, weather } from './weather.svelte';
  import AwayMark from './away/AwayMark.svelte';
  import TopTools from './TopTools.svelte';
  import WeatherAhead from './WeatherAhead.svelte';

  const here = $derived(
    route.pathname === '/' ? '/round' : route.pathname.replace(/^(\/[a-z]+)\/.*/, '$1'),
  );
  const today = $derived(garden.path ? dayInWords(garden.path.now, garden.path.zone) : '');
  follow(
    () => garden.version,
    () => void loadWeather(),
  );
</script>

<header>
  <a class="mark" href="/round{garden.search}">
    <Fish />
    <span><b>Dace</b> <small>{garden.path?.garden ?? session.info?.household}</small></span>
  </a>
  <nav aria-label="Desks">
    {#each DESKS as desk (desk.path)}
      <a href="{desk.path}{garden.search}" aria-current={here === desk.path ? 'page' : undefined}>
        {desk.name}
      </a>
    {/each}
  </nav>
  <div class="side">
    <div class="today">
      <b>{today}</b>
      {#if weather.data}<span>{weather.data.words}</span>{/if}
    </div>
    <AwayMark />
    <WeatherAhead />
    <a class="setup" href="/setup" aria-current={here === '/setup' ? 'page' : undefined}>Set-up</a>
    <TopTools />
  </div>
</header>

<style>
  header {
    display: grid;
    grid-area: top;
    grid-template-columns: 220px auto minmax(0, 1fr);
    align-items: center;
    padding: 0 var(--space-6) 0 0;
  }

  .mark {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: var(--touch);
    padding-left: var(--space-6);
    color: inherit;
    text-decoration: none;
  }

  .mark b {
    display: block;
    font: 700 var(--text-xl) / 1 var(--face-head);
  }

  .mark span {
    overflow: hidden;
    max-width: 150px;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .mark small {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  nav {
    display: flex;
    gap: 2px;
  }

  nav a {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    padding: 0 15px;
    border: 1px solid transparent;
    border-radius: var(--radius-round);
    color: inherit;
    font-weight: 550;
    text-decoration: none;
  }

  nav a[aria-current] {
    border-color: var(--color-line);
    background: var(--color-panel);
    box-shadow: inset 0 3px 0 var(--color-rim);
  }

  .side {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-2);
    align-items: center;
    justify-content: flex-end;
  }

  .setup {
    display: grid;
    place-items: center;
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border-radius: var(--radius-round);
    color: inherit;
    font-size: var(--text-s);
    white-space: nowrap;
  }

  .today {
    margin-right: var(--space-2);
    text-align: right;
    white-space: nowrap;
  }

  .today b,
  .today span {
    display: block;
  }

  .today span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media (forced-colors: active) {
    nav a[aria-current] {
      border: 2px solid Highlight;
    }
  }

  @media (width <= 1340px) {
    header {
      grid-template-columns: minmax(max-content, 220px) auto minmax(0, 1fr);
      gap: var(--space-2);
      padding-right: var(--space-3);
    }

    nav a {
      padding: 0 11px;
    }
  }

  @media (width <= 1240px) {
    .side :global(.ahead) {
      display: none;
    }
  }

  @media (width <= 1120px) {
    .today {
      display: none;
    }
  }

  /* what waits to be sent takes the room of the days ahead */
  @media (width <= 1400px) {
    .side:has(:global([aria-haspopup])) :global(.ahead) {
      display: none;
    }
  }

  @media (width <= 1000px) {
    header {
      display: flex;
      justify-content: space-between;
      min-height: 48px;
      padding: 0 var(--space-4);
    }

    /* with the path no more than a sixth of the height */
    .mark {
      padding: 0;
    }

    .mark span,
    .today {
      display: flex;
      gap: var(--space-2);
      align-items: baseline;
      font-size: var(--text-s);
    }

    .mark b,
    .today b {
      display: none;
    }

    .today {
      display: flex;
      margin: 0;
    }

    nav,
    .setup,
    .side:has(:global([aria-haspopup])) .today {
      display: none;
    }
  }
</style>
