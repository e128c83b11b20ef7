<script lang="ts">
  import { dates } from '../ui/language';
  import { degreesNumber, degreesUnit } from './measures';
  import { weather } from './weather.svelte';

  const WET_MM = 1;

  function weekday(on: string): string {
    const day = new Date(`${on}T00:00:00Z`);
    return dates({ timeZone: 'UTC', weekday: 'short' }).format(day);
  }

  const WHAT = {
    simulated: 'a simulated forecast',
    service: 'a forecast',
    usual: 'usual here, not a forecast',
  };
  const what = $derived(WHAT[weather.data?.source ?? 'usual']);

  function dayTitle(day: { t_min: number; t_max: number; rain_mm: number }): string {
    const rain = day.rain_mm >= WET_MM ? `${Math.round(day.rain_mm)} mm of rain` : 'dry';
    return `${degreesNumber(day.t_min)} to ${degreesNumber(day.t_max)} ${degreesUnit()}, ${rain}: ${what}`;
  }
</script>

{#if weather.data}
  <ol class="ahead" aria-label="The days ahead, {what}">
    {#each weather.data.ahead.slice(0, 3) as day (day.on)}
      <li title={dayTitle(day)}>
        <b>{degreesNumber(day.t_max)}°</b>
        <svg width="24" height="10" viewBox="0 0 24 10" aria-hidden="true">
          {#if day.rain_mm >= WET_MM}
            <rect class="rain" width="24" height={Math.min(10, 2 + day.rain_mm)} rx="2" />
          {:else}
            <rect class="sun" y="2" width="24" height="4" rx="2" />
          {/if}
        </svg>
        <small>{weekday(day.on)}</small>
        <span class="unseen">{day.rain_mm >= WET_MM ? 'rain' : 'dry'}</span>
      </li>
    {/each}
  </ol>
{/if}

<style>
  .ahead {
    display: flex;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
    font-size: var(--text-s);
    line-height: 1.1;
    text-align: center;
  }

  .ahead b,
  .ahead svg,
  .ahead small {
    display: block;
    margin: 2px auto;
  }

  .ahead small {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .rain {
    fill: var(--color-rim);
  }

  .sun {
    fill: var(--color-care);
  }

  @media (width <= 1000px) {
    .ahead {
      display: none;
    }
  }
</style>
