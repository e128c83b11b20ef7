<!-- What one plant gets through its leaves, beside a week's need. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { working } from '../../app/working.svelte';
  import { NUTRIENT_NAMES } from './explain';

  const { rows }: { rows: Schemas['OnLeafOut'][] } = $props();
  const width = (row: Schemas['OnLeafOut']) => Math.min(100, Math.max(0, row.share.value));
  const ends = (row: Schemas['OnLeafOut']) => [
    Math.min(100, row.share.low),
    Math.min(100, row.share.high),
  ];

  function how(row: Schemas['OnLeafOut']) {
    const name = NUTRIENT_NAMES[row.name] ?? row.name;
    working.show({
      title: `How ${row.enters.text} mg of ${name} was got`,
      steps: row.share.working.length > 1 ? row.share.working : row.enters.working,
    });
    working.open();
  }
</script>

<div role="group" aria-label="Through the leaves of one plant; Enter shows how">
  {#each rows as row (row.name)}
    {@const [low, high] = ends(row)}
    <button type="button" onclick={() => how(row)}>
      <b>{row.name}</b>
      <span>
        {row.enters.value > 0 ? `${row.enters.text} mg go in` : '0 mg'}
        <small>
          {row.lands.value > 0
            ? `of ${row.lands.text} that land; ${row.enters.range_text.split(' mg')[0]}`
            : 'none in it'}
        </small>
      </span>
      <span>
        <svg viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden="true">
          <rect class="need" width="100" height="14" rx="2" />
          <rect class="in" width={width(row)} height="14" />
          {#if row.share.value > 0}
            <path d="M{low} 7H{high}M{low} 2v10M{high} 2v10" />
          {/if}
        </svg>
        <small>{row.share_text} of {row.need.text} mg a week</small>
      </span>
    </button>
  {/each}
</div>

<style>
  button {
    display: grid;
    grid-template-columns: 28px minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-2);
    align-items: center;
    width: 100%;
    min-height: var(--touch);
    padding: 2px;
    border: 0;
    border-bottom: 1px dashed var(--color-line);
    background: none;
    text-align: left;
    line-height: 1.2;
    cursor: pointer;
  }

  b {
    font: 650 var(--text-l) / 1 var(--face-head);
  }

  span {
    font-weight: 600;
    font-size: 0.9375rem;
  }

  small {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-weight: 400;
  }

  svg {
    display: block;
    width: 100%;
    height: 14px;
  }

  .need {
    fill: var(--color-wish);
    stroke: var(--color-wish-edge);
    vector-effect: non-scaling-stroke;
  }

  .in {
    fill: var(--color-rim);
  }

  path {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }
</style>
