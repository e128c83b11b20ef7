<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { dayScale, monthMarks } from '../../charts/weeks';
  import StripRow from './StripRow.svelte';
  import type { Strip } from './strips';
  import WeatherRow from './WeatherRow.svelte';

  interface Props {
    data: Schemas['SeasonOut'];
    strips: Strip[];
    chosen: string;
    onchoose: (strip: Strip) => void;
  }
  let { data, strips, chosen, onchoose }: Props = $props();
  let room = $state(0);
  let list: HTMLUListElement | undefined = $state();
  const narrow = $derived(room < 640);
  const width = $derived(Math.max(200, room - (narrow ? 0 : 150)));
  const x = $derived(dayScale(data.first, data.last, width));
  const marks = $derived(monthMarks(data.first, data.last, width));
  const today = $derived(x(data.today));
  const most = $derived(
    Math.max(1, ...data.strips.flatMap((strip) => strip.drops.map((drop) => drop.nitrogen_mg))),
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

<div class="chart" class:narrow bind:clientWidth={room}>
  <svg class="axis" {width} height="40" viewBox="0 0 {width} 40" aria-hidden="true">
    {#each marks.filter((one) => one.x < width - 26) as mark (mark.at)}
      <text x={mark.x} y="34">{mark.name}</text>
    {/each}
    <text class="now" x={Math.min(Math.max(today, 24), width - 24)} y="14">today</text>
    <path class="today" d="M{today} 18v22" />
  </svg>
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
          <StripRow {strip} {x} {width} {most} />
        </button>
      </li>
    {/each}
  </ul>
  <div class="weather">
    <span class="name"><b>Weather</b><span>° and rain a week</span></span>
    <WeatherRow weeks={data.weeks} {x} {width} />
  </div>
  <svg class="line" {width} height="100%" aria-hidden="true">
    <line class="today" x1={today} x2={today} y1="0" y2="100%" />
  </svg>
</div>
<p class="key">
  <span><i class="edge"></i> start seen</span>
  <span><i class="whisker"></i> start expected, 8 in 10</span>
  <span>drop: a feed, sized by its nitrogen</span>
  <span>dish: a dry feed</span>
</p>

<style>
  .chart {
    position: relative;
    min-width: 0;
    overflow: hidden;
  }

  .axis {
    display: block;
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
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .name b {
    font-size: 0.9375rem;
    font-weight: 600;
  }

  .name span {
    color: var(--color-text-soft);
  }

  .narrow .name {
    display: flex;
    gap: var(--space-2);
    align-items: baseline;
    padding-left: 10px;
  }

  .weather {
    border-top: 1px solid var(--color-line);
  }

  .line {
    position: absolute;
    top: 40px;
    left: 0;
    height: calc(100% - 40px);
    margin-left: 150px;
    pointer-events: none;
  }

  .key {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-4);
    padding: var(--space-1) 0 0 10px;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  i {
    display: inline-block;
  }

  .edge {
    width: 3px;
    height: 14px;
    background: var(--color-text);
    vertical-align: -2px;
  }

  .whisker {
    width: 16px;
    height: 6px;
    border: solid var(--color-edge);
    border-width: 0 1.5px;
    background: linear-gradient(var(--color-edge), var(--color-edge)) center / 100% 1.5px no-repeat;
    vertical-align: 1px;
  }

  text {
    fill: var(--color-text-soft);
    font-size: 14px;
  }

  .now {
    fill: var(--color-stop);
    font-weight: 600;
    text-anchor: middle;
  }

  .today {
    stroke: var(--color-stop);
    stroke-width: 2;
  }
</style>
