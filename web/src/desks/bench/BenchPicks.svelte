<script lang="ts">
  import { volume } from '../../app/measures';
  import Choice from '../../ui/Choice.svelte';
  import type { Bench } from './bench.svelte';

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
<div class="with">
  <Choice label="Jar" bind:value={bench.jarId} options={jars} onchange={() => bench.pickJar()} />
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
    {#each (bench.supplies?.vessels ?? []).filter((one) => one.kind !== 'sprayer') as vessel (vessel.id)}
      <option value={volume(vessel.volume_l, 4)}>{vessel.name}</option>
    {/each}
  </datalist>
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
</style>
