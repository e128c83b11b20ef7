<script lang="ts">
  import { inGallons } from '../../app/measures';
  import BulletBar from '../../charts/BulletBar.svelte';
  import Button from '../../ui/Button.svelte';
  import type { Bench, Preview } from './bench.svelte';
  import { NUTRIENT_NAMES } from './explain';

  interface Props {
    bench: Bench;
    preview: Preview;
    /** Who the wish is of, such as `aubergine`; empty where no stop is chosen. */
    who: string;
  }
  let { bench, preview, who }: Props = $props();
  let at = $state(0);
  let rows: HTMLButtonElement[] = $state([]);

  function explain(index: number) {
    at = index;
    const row = preview.nutrients[index];
    if (row) bench.explain(row.name);
  }

  function onkey(event: KeyboardEvent) {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    const next = Math.min(preview.nutrients.length - 1, Math.max(0, at + by));
    rows[next]?.focus();
    explain(next);
  }

  /** Its range alone, on one line: the unit stands over it. */
  const spanOf = (row: Preview['nutrients'][number]) =>
    row.figure.range_text.split(',')[0]?.replace(' mg/L', '') ?? '';

  const spoken = (row: Preview['nutrients'][number]) =>
    `${NUTRIENT_NAMES[row.name]}: ${row.figure.range_text}` +
    (row.wish ? `; the stage likes ${row.wish.text}` : '') +
    (row.from_water > 0.5 ? `; ${row.from_water.toFixed(0)} of it from the water` : '') +
    '.';
</script>

<section>
  <header>
    <h2>
      {inGallons() ? 'In it, mg/L' : 'One litre'}{#if who}, and what {who} likes now{/if}
    </h2>
    {#if who && !bench.plainly}
      <Button look="quiet" onclick={() => bench.like()}>Fill to that</Button>
    {/if}
  </header>
  <div role="group" aria-label="What it holds, mg/L; arrows move, Enter shows how">
    {#each preview.nutrients as row, index (row.name)}
      <button
        bind:this={rows[index]}
        type="button"
        class="row"
        tabindex={index === at ? 0 : -1}
        onclick={() => explain(index)}
        onkeydown={onkey}
      >
        <span class="name">{row.name} <span class="unseen">{spoken(row)}</span></span>
        <BulletBar figure={row.figure} fromWater={row.from_water} wish={row.wish ?? null} />
        <span class="value">
          {row.figure.text} mg
          {#if !bench.plainly}
            <small>{row.wish ? `likes ${row.wish.text}` : spanOf(row)}</small>
          {/if}
        </span>
      </button>
    {/each}
  </div>
  {#if !bench.plainly}
    <p class="legend">
      <span class="hatch" aria-hidden="true"></span> from your water
      <span class="whisker" aria-hidden="true"></span> what is not known
    </p>
  {/if}
</section>

<style>
  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    min-height: var(--touch);
    white-space: nowrap;
  }

  h2 {
    overflow: hidden;
    text-overflow: ellipsis;
    font-size: 1.0625rem;
  }

  @media (width <= 700px) {
    h2 {
      white-space: normal;
    }
  }

  .row {
    display: grid;
    grid-template-columns: 30px 1fr 104px;
    gap: var(--space-2);
    align-items: center;
    width: 100%;
    min-height: var(--touch);
    padding: 0 2px;
    border: 0;
    border-radius: var(--radius);
    background: none;
    text-align: left;
    cursor: pointer;
  }

  .row:hover {
    background: var(--color-panel-low);
  }

  .name {
    font: 650 var(--text-l) / 1 var(--face-head);
  }

  .value {
    font-size: 0.9375rem;
    font-weight: 600;
    line-height: 1.15;
    text-align: right;
  }

  small {
    display: block;
    white-space: nowrap;
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-weight: 400;
  }

  .legend {
    display: flex;
    gap: 6px;
    align-items: center;
    margin-top: 2px;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .hatch {
    width: 22px;
    height: 10px;
    background: repeating-linear-gradient(
      135deg,
      var(--color-rim) 0 3px,
      var(--color-rim-pale) 3px 6px
    );
  }

  .whisker {
    width: 22px;
    height: 10px;
    margin-left: var(--space-3);
    border: solid var(--color-text);
    border-width: 0 1.5px;
    background: linear-gradient(var(--color-text), var(--color-text)) center / 100% 1.5px no-repeat;
  }
</style>
