<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { tables } from '../../app/tables.svelte';
  import ChartTable from '../../charts/ChartTable.svelte';
  import { dayScale } from '../../charts/weeks';
  import SeasonAxis from './SeasonAxis.svelte';
  import SeasonKey from './SeasonKey.svelte';
  import StripRow from './StripRow.svelte';
  import { comingOf, seasonTable, type Coming, type Strip } from './strips';
  import WeatherRow from './WeatherRow.svelte';

  interface Props {
    data: Schemas['SeasonOut'];
    strips: Strip[];
    /** What is to come. */
    coming: Coming[];
    onwhy: (event: Coming) => void;
    chosen: string;
    onchoose: (strip: Strip) => void;
  }
  let { data, strips, coming, onwhy, chosen, onchoose }: Props = $props();
  const table = $derived(seasonTable(strips, data.weeks, coming));
  let room = $state(0);
  let list: HTMLUListElement | undefined = $state();
  const narrow = $derived(room < 640);
  const width = $derived(Math.max(200, room - (narrow ? 0 : 150)));
  const x = $derived(dayScale(data.first, data.last, width));
  const today = $derived(x(data.today));
  const most = $derived(
    Math.max(
      1,
      ...data.strips.flatMap((strip) => strip.drops.map((drop) => drop.nitrogen_mg)),
      ...coming.map((event) => event.nitrogen_mg),
    ),
  );

  /** Up and down walk the strips; one of them is in the order of tabs. */
  function walk(event: KeyboardEvent, index: number) {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const next = by ? strips[index + by] : undefined;
    if (!next) return;
    event.preventDefault();
    onchoose(next);
    list?.querySelectorAll('button')[index + (by ?? 0)]?.focus();
  }
</script>

{#if tables.on}
  <ChartTable {table} summary="The season: stages and feeds of each planting" />
{:else}
  <div class="chart" class:narrow bind:clientWidth={room}>
    <div class="axis">
      <SeasonAxis first={data.first} last={data.last} frosts={data.frosts} {today} {width} />
    </div>
    <ul bind:this={list}>
      {#each strips as strip, index (strip.planting_id)}
        <li>
          <button
            type="button"
            aria-pressed={strip.planting_id === chosen}
            tabindex={strip.planting_id === chosen || (!chosen && index === 0) ? 0 : -1}
            onclick={() => onchoose(strip)}
            onkeydown={(event) => walk(event, index)}
          >
            <span class="name">
              <b>{strip.crop}</b>
              <span>{strip.place}{strip.question ? ' · look?' : ''}</span>
            </span>
            <StripRow
              {strip}
              coming={comingOf(strip.planting_id, coming, data.today)}
              {onwhy}
              {x}
              {width}
              {most}
            />
          </button>
        </li>
      {/each}
    </ul>
    <div class="weather">
      <span class="name"><b>Weather</b><span>° and rain a week</span></span>
      <WeatherRow weeks={data.weeks} {x} {width} />
    </div>
    <svg class="line" {width} height="100%" aria-hidden="true">
      <line x1={today} x2={today} y1="0" y2="100%" />
    </svg>
  </div>
  <SeasonKey />
{/if}

<style>
  .chart {
    position: relative;
    min-width: 0;
    overflow: hidden;
  }

  .axis,
  .line {
    margin-left: 150px;
  }

  .narrow .axis,
  .narrow .line {
    margin-left: 0;
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  button,
  .weather {
    display: grid;
    grid-template-columns: 150px minmax(0, 1fr);
    align-items: center;
    width: 100%;
    padding: 0;
    border: 0;
    background: none;
    text-align: left;
  }

  button {
    border-radius: var(--radius);
    cursor: pointer;
  }

  .narrow button,
  .narrow .weather {
    grid-template-columns: minmax(0, 1fr);
    padding-top: var(--space-1);
  }

  button[aria-pressed='true'] {
    background: var(--color-rim-tint);
    box-shadow: inset 3px 0 0 var(--color-rim);
  }

  .name {
    padding: 0 var(--space-2) 0 10px;
    min-width: 0;
    font-size: var(--text-s);
    line-height: 1.2;
  }

  .name b,
  .name span {
    display: block;
    overflow-wrap: anywhere;
  }

  .name span {
    color: var(--color-text-soft);
  }

  .narrow .name {
    display: flex;
  }

  .weather {
    border-top: 1px solid var(--color-line);
  }

  .line {
    position: absolute;
    top: 40px;
    left: 0;
    height: calc(100% - 40px);
    pointer-events: none;
  }

  line {
    stroke: var(--color-stop);
    stroke-width: 2;
  }
</style>
