<script lang="ts">
  import { ecNumber, ecScale, volume } from '../../app/measures';
  import { onMount } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import EcScale from '../../charts/EcScale.svelte';
  import WateringCan from '../../drawings/WateringCan.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import { Bench } from './bench.svelte';
  import CanCard from './CanCard.svelte';
  import BenchTitle from './BenchTitle.svelte';
  import { explanation } from './explain';
  import LitreBars from './LitreBars.svelte';
  import MeasureGlass from './MeasureGlass.svelte';
  import OverCap from './OverCap.svelte';
  import PourBar from './PourBar.svelte';
  import WayBoxes from './WayBoxes.svelte';

  const bench = new Bench();
  const preview = $derived(bench.preview);
  const stand = $derived(garden.stand);
  const who = $derived(stand?.crop.toLowerCase() ?? '');

  onMount(() => {
    return () => working.clear();
  });

  // Another stop, or something written: fetch what stands here and work the can out anew.
  follow(
    () => [garden.stand?.id, garden.stand?.stage_key, garden.version],
    () => {
      bench.litresSaid = '';
      void bench.load().then(() => bench.work());
    },
  );

  // The working follows the can, for whichever number was asked about.
  $effect(() => {
    if (!preview) return;
    // what stands on the desk itself is not said twice
    working.advice = preview.advice.filter((one) => one.key !== 'over_cap');
    working.show(explanation(preview, bench.asked));
  });
</script>

{#if bench.supplies && bench.supplies.jars.length === 0}
  <Page title="The Bench wants a jar">
    <p>A jar from its label, a can and your water: that is all it takes to work out a dose.</p>
    <a href="/setup">Set up a jar</a>
  </Page>
{:else}
  <div class="bench" aria-busy={!preview}>
    <BenchTitle {bench} />
    <Message problem={bench.stocked.problem} again={bench.stocked.again} />
    <div class="columns">
      <div class="vessels">
        <MeasureGlass {bench} />
        <p class="soft">fill up with water to {volume(preview?.vessel_l ?? 9)}</p>
        <WateringCan
          holds={volume(preview?.vessel_l ?? 9)}
          unit={ecScale()}
          reads={preview ? ecNumber(preview.ec.value) : '–'}
          range={preview ? `${ecNumber(preview.ec.low)} to ${ecNumber(preview.ec.high)}` : ''}
        />
        {#if preview}
          <EcScale
            water={preview.water_ec}
            can={preview.ec}
            most={preview.cap?.total_at_cap ?? null}
          />
          <div class="hows">
            <Button look="quiet" onclick={() => bench.explain('ec')}>reads: how?</Button>
            {#if preview.cap}
              <Button look="quiet" onclick={() => bench.explain('cap')}>most: how?</Button>
            {/if}
          </div>
        {/if}
      </div>
      <div class="figures">
        <WayBoxes {bench} />
        {#if preview?.cap?.over && !bench.problem}<OverCap {bench} />{/if}
        {#if preview}
          <div class:stale={bench.problem !== null}><LitreBars {bench} {preview} {who} /></div>
          {#if preview.rounded}<p class="soft">
              By the spoon: {preview.rounded.replaceAll(' + ', '\u00a0+\u00a0')}.
            </p>{/if}
        {/if}
      </div>
    </div>
    <PourBar {bench} />
    <CanCard {bench} />
  </div>
{/if}

<style>
  .bench {
    display: flex;
    flex-direction: column;
    min-height: 100%;
  }

  .columns {
    display: grid;
    grid-template-columns: 246px minmax(0, 1fr);
    gap: 20px;
    padding: var(--space-3) 22px;
  }

  .vessels {
    display: grid;
    gap: var(--space-1);
    align-content: start;
  }

  .figures {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-2);
    align-content: start;
  }

  .stale {
    opacity: 0.55;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media print {
    .bench > :global(:not(article)) {
      display: none;
    }
  }

  .hows {
    display: flex;
    justify-content: space-between;
    font-size: var(--text-s);
  }

  @media (width <= 700px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
      padding: var(--space-3) var(--space-4);
    }

    /* on a phone the strength comes first: it is what a wet thumb changes */
    .figures {
      order: -1;
    }
  }
</style>
