<script lang="ts">
  import { volume } from '../../app/measures';
  import { garden } from '../../app/garden.svelte';
  import Button from '../../ui/Button.svelte';
  import { dateInWords } from '../../ui/time';
  import type { Bench } from './bench.svelte';
  import BenchPicks from './BenchPicks.svelte';
  import StageSheet from './StageSheet.svelte';

  interface Props {
    bench: Bench;
  }
  let { bench }: Props = $props();
  const stand = $derived(garden.stand);
  let staging = $state(false);
</script>

<svelte:head><title>{bench.jar?.name ?? 'The Bench'} · Dace</title></svelte:head>

<header>
  <h1>
    {bench.jar?.name ?? 'The Bench'}
    {#if bench.preview}in a can of {volume(bench.preview.vessel_l)}{/if}
  </h1>
  <div class="for">
    {#if stand && garden.stop}
      <span>
        for {stand.spot} · {stand.counted} ·
        {stand.stage}{stand.question ? '?' : ` since ${dateInWords(stand.stage_since)}`}{stand.fed
          ? ''
          : ' · kept unfed, to compare'}
      </span>
      {#if stand.question}
        <Button onclick={() => (staging = true)}>{stand.question}</Button>
      {:else}
        <Button look="quiet" onclick={() => (staging = true)}>I see a change</Button>
      {/if}
      <a href="/place{garden.search}">What the roots say</a>
    {:else}
      <span>for no stop in particular</span>
    {/if}
  </div>
  {#if garden.stop && garden.stop.stands.length > 1}
    <div class="stands" role="group" aria-label="Which of these">
      {#each garden.stop.stands as one (one.id)}
        <button
          type="button"
          aria-pressed={one.id === stand?.id}
          onclick={() => garden.chooseStand(one)}
        >
          {one.spot === garden.stop.name ? one.crop : one.spot}
        </button>
      {/each}
    </div>
  {/if}
  <BenchPicks {bench} />
</header>
{#if stand}
  <StageSheet
    plantingId={stand.planting_id}
    crop={stand.crop}
    cropKey={stand.crop_key}
    stageKey={stand.stage_key}
    bind:open={staging}
  />
{/if}

<style>
  header {
    display: grid;
    gap: 2px;
    padding: var(--space-3) 22px 0;
  }

  h1 {
    font-size: 1.5625rem;
  }

  .for {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-2);
    align-items: center;
    min-height: var(--touch);
    color: var(--color-text-soft);
  }

  .stands {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin-bottom: var(--space-2);
  }

  .stands button {
    min-height: var(--touch);
    padding: 0 var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-round);
    background: none;
    cursor: pointer;
  }

  .stands button[aria-pressed='true'] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
    font-weight: 600;
  }

  @media (width <= 700px) {
    .for > :global(button) {
      padding-left: 0;
    }

    header {
      padding-inline: var(--space-4);
    }

    h1 {
      font-size: 1.375rem;
    }
  }
</style>
