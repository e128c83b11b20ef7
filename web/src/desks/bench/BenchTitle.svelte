<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import { dateInWords } from '../../ui/time';
  import type { Bench } from './bench.svelte';
  import StageSheet from './StageSheet.svelte';

  interface Props {
    bench: Bench;
  }
  let { bench }: Props = $props();
  const stand = $derived(garden.stand);
  let staging = $state(false);

  const jars = $derived(
    (bench.supplies?.jars ?? []).map((jar) => ({
      value: jar.id,
      name: jar.dissolves ? `${jar.name}, ${jar.stock_text} left` : `${jar.name} (spread dry)`,
      disabled: !jar.dissolves,
    })),
  );
  const waters = $derived(
    (bench.supplies?.waters ?? []).map((water) => ({
      value: water.id,
      name: `${water.name}, ${water.ec} mS/cm`,
    })),
  );
</script>

<header>
  <h1>
    {bench.jar?.name ?? 'The Bench'}
    {#if bench.preview}in a {bench.preview.vessel_l}-litre can{/if}
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
  <div class="with">
    <Choice label="Jar" bind:value={bench.jarId} options={jars} onchange={() => bench.like()} />
    <label>
      <span class="unseen">Can</span>
      <input
        bind:value={bench.vessel}
        list="vessels"
        autocomplete="off"
        aria-invalid={bench.problem?.field === 'vessel' ? 'true' : undefined}
        oninput={() => bench.work()}
      />
    </label>
    <datalist id="vessels">
      {#each bench.supplies?.vessels ?? [] as vessel (vessel.id)}
        <option value="{vessel.volume_l} L">{vessel.name}</option>
      {/each}
    </datalist>
    <Choice
      label="Water"
      bind:value={bench.waterId}
      options={waters}
      onchange={() => bench.work()}
    />
  </div>
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

  .with,
  .stands {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .stands {
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

  .with > :global(:first-child) {
    flex: 1 1 200px;
  }

  .with > :global(:last-child) {
    flex: 1 1 160px;
  }

  input {
    width: 9ch;
    min-height: var(--touch);
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  input[aria-invalid] {
    border-color: var(--color-stop);
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
