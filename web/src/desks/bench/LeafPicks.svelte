<!-- What is sprayed, from which sprayer, with which water, and how strong. -->
<script lang="ts">
  import Choice from '../../ui/Choice.svelte';
  import StepBox from '../../ui/StepBox.svelte';
  import type { Bench } from './bench.svelte';
  import type { Spraying } from './spraying.svelte';
  import VesselBox from './VesselBox.svelte';

  interface Props {
    bench: Bench;
    spraying: Spraying;
  }
  const { bench, spraying }: Props = $props();
  const id = $props.id();
  const trouble = $derived(spraying.problem?.message ?? '');
  /** The strength by now, where it was not typed. */
  const said = $derived(
    typeof spraying.said === 'string'
      ? (spraying.spray?.sources[0]?.strength ?? spraying.said)
      : spraying.said,
  );
</script>

<div class="with off-paper">
  <Choice
    label="Jar"
    bind:value={spraying.jarId}
    options={spraying.jars.map((jar) => ({
      value: jar.id,
      name: `${jar.name}, ${jar.stock_text} left`,
    }))}
    onchange={() => spraying.pickJar()}
  />
  <VesselBox
    label="Sprayer"
    bind:value={spraying.vessel}
    vessels={spraying.sprayers}
    wrong={spraying.problem?.field === 'vessel'}
    oninput={() => spraying.work()}
  />
  <Choice
    label="Water"
    bind:value={spraying.waterId}
    options={(bench.supplies?.waters ?? []).map((one) => ({
      value: one.id,
      name: `${one.name}, ${one.ec}`,
    }))}
    onchange={() => spraying.work()}
  />
  <StepBox
    label="How strong"
    box="Strength of the spray"
    less="A little weaker"
    more="A little stronger"
    value={said}
    wrong={spraying.problem?.field === 'strength'}
    describedby="{id}-trouble"
    oninput={(typed) => spraying.say(typed)}
    onstep={(by) => spraying.times(by > 0 ? 1.25 : 0.8)}
  />
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
