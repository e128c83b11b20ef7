<!-- The can on the Bench: what is measured out, the can filled, and what a litre gives. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { ecNumber, ecScale, volume } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import EcScale from '../../charts/EcScale.svelte';
  import WateringCan from '../../drawings/WateringCan.svelte';
  import Button from '../../ui/Button.svelte';
  import type { Bench } from './bench.svelte';
  import HoursStrip from './HoursStrip.svelte';
  import Layers from './Layers.svelte';
  import LitreBars from './LitreBars.svelte';
  import MeasureGlass from './MeasureGlass.svelte';
  import OverCap from './OverCap.svelte';
  import ReadBox from './ReadBox.svelte';
  import WayBoxes from './WayBoxes.svelte';

  const { bench }: { bench: Bench } = $props();

  const preview = $derived(bench.preview);
  const hours = new Resource<Schemas['HoursOut']>();
  const who = $derived(garden.stand?.crop.toLowerCase() ?? '');

  follow(
    () => garden.stand?.id,
    (stand_id) => {
      if (!stand_id) return;
      const params = { query: { stand_id } };
      void hours.load((signal) => ask(client.GET('/api/bench/hours', { params, signal })));
    },
  );
</script>

<div class="columns off-paper">
  <div class="vessels">
    <MeasureGlass {bench} />
    <p class="soft">fill up with water to {volume(preview?.vessel_l ?? 9)}</p>
    {#if preview && preview.more.length}<Layers {bench} />{/if}
    <WateringCan
      holds={volume(preview?.vessel_l ?? 9)}
      unit={ecScale()}
      reads={preview ? ecNumber(preview.ec.value) : '–'}
      range={preview ? `${ecNumber(preview.ec.low)} to ${ecNumber(preview.ec.high)}` : ''}
    />
    {#if preview}
      <EcScale water={preview.water_ec} can={preview.ec} most={preview.cap?.total_at_cap ?? null} />
      <div class="hows">
        <Button look="quiet" onclick={() => bench.explain('ec')}>reads: how?</Button>
        {#if preview.cap}
          <Button look="quiet" onclick={() => bench.explain('cap')}>upper limit: how?</Button>
        {/if}
      </div>
    {/if}
  </div>
  <div class="figures">
    <WayBoxes {bench} />
    {#if preview?.cap?.over && !bench.problem}<OverCap {bench} />{/if}
    {#if preview}
      <div class:stale={bench.problem !== null}><LitreBars {bench} {preview} {who} /></div>
      <ReadBox {bench} />
      {#if preview.rounded}<p class="soft">
          By the spoon: {preview.rounded.replaceAll(' + ', '\u00a0+\u00a0')}.
        </p>{/if}
    {/if}
    {#if hours.data}<HoursStrip hours={hours.data} route="roots" />{/if}
  </div>
</div>

<style>
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
