<!-- What is sprayed, from which sprayer, with which water, and how strong. -->
<script lang="ts">
  import { volume } from '../../app/measures';
  import Choice from '../../ui/Choice.svelte';
  import type { Bench } from './bench.svelte';
  import type { Spraying } from './spraying.svelte';

  interface Props {
    bench: Bench;
    spraying: Spraying;
  }
  const { bench, spraying }: Props = $props();
  const id = $props.id();
  const trouble = $derived(spraying.problem?.message ?? '');
</script>

<div class="with">
  <Choice
    label="Jar"
    bind:value={spraying.jarId}
    options={spraying.jars.map((jar) => ({
      value: jar.id,
      name: `${jar.name}, ${jar.stock_text} left`,
    }))}
    onchange={() => spraying.pickJar()}
  />
  <label>
    <span class="unseen">Sprayer</span>
    <input
      bind:value={spraying.vessel}
      list="{id}-sprayers"
      autocomplete="off"
      aria-invalid={spraying.problem?.field === 'vessel' ? 'true' : undefined}
      oninput={() => spraying.work()}
    />
  </label>
  <datalist id="{id}-sprayers">
    {#each spraying.sprayers as one (one.id)}
      <option value={volume(one.volume_l, 4)}>{one.name}</option>
    {/each}
  </datalist>
  <Choice
    label="Water"
    bind:value={spraying.waterId}
    options={(bench.supplies?.waters ?? []).map((one) => ({
      value: one.id,
      name: `${one.name}, ${one.ec}`,
    }))}
    onchange={() => spraying.work()}
  />
  <div class="strength" role="group" aria-label="How strong">
    <button type="button" aria-label="A little weaker" onclick={() => spraying.times(0.8)}>−</button
    >
    <input
      aria-label="Strength of the spray"
      value={spraying.said}
      autocomplete="off"
      spellcheck="false"
      aria-invalid={spraying.problem?.field === 'strength' ? 'true' : undefined}
      aria-describedby="{id}-trouble"
      oninput={(event) => spraying.say(event.currentTarget.value)}
    />
    <button type="button" aria-label="A little stronger" onclick={() => spraying.times(1.25)}
      >+</button
    >
  </div>
</div>
<p id="{id}-trouble" class="trouble" role={trouble ? 'alert' : undefined}>{trouble}</p>

<style>
  .with {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    padding: var(--space-2) 22px 0;
  }

  .with > :global(.choice) {
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

  .strength {
    display: flex;
    gap: var(--space-1);
  }

  button {
    width: var(--touch);
    height: var(--touch);
    border: 1px solid var(--color-edge);
    border-radius: 50%;
    background: none;
    font-size: var(--text-xl);
    line-height: 1;
    cursor: pointer;
  }

  .trouble {
    padding: 0 22px;
    color: var(--color-stop);
    font-size: 0.9375rem;
  }

  @media (width <= 700px) {
    .with {
      padding-inline: var(--space-4);
    }
  }
</style>
