<script lang="ts">
  import Choice from '../../ui/Choice.svelte';
  import type { Bench } from './bench.svelte';
  import VesselBox from './VesselBox.svelte';

  interface Props {
    bench: Bench;
  }
  const { bench }: Props = $props();

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
      name: `${water.name}, ${water.ec}`,
    })),
  );
</script>

<!-- Which jar, what can, which water. -->
<div class="with off-paper">
  <Choice label="Jar" bind:value={bench.jarId} options={jars} onchange={() => bench.pickJar()} />
  <VesselBox
    label="Can"
    bind:value={bench.vessel}
    vessels={(bench.supplies?.vessels ?? []).filter((one) => one.kind !== 'sprayer')}
    wrong={bench.problem?.field === 'vessel'}
    oninput={() => bench.work()}
  />
  <Choice label="Water" bind:value={bench.waterId} options={waters} onchange={() => bench.work()} />
</div>

<style>
  .with {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    padding: var(--space-2) 22px 0;
  }

  .with > :global(:first-child) {
    flex: 1 1 200px;
  }

  .with > :global(:last-child) {
    flex: 1 1 160px;
  }
</style>
