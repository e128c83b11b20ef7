<!-- A spray on the Bench: the sprayer with its loads, what goes in beside the week's need, hours. -->
<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { ec } from '../../app/measures';
  import { follow } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import Sprayer from '../../drawings/Sprayer.svelte';
  import Message from '../../ui/Message.svelte';
  import Note from '../../ui/Note.svelte';
  import type { Bench } from './bench.svelte';
  import HoursStrip from './HoursStrip.svelte';
  import LeafBar from './LeafBar.svelte';
  import LeafPicks from './LeafPicks.svelte';
  import LeafRows from './LeafRows.svelte';
  import { Spraying } from './spraying.svelte';

  const { bench }: { bench: Bench } = $props();
  // svelte-ignore state_referenced_locally
  const spraying = new Spraying(bench);
  const SAID = [
    'foliar_strength',
    'never_on_leaves',
    'brew_on_salad_leaves',
    'foliar_tea_raw_leaves',
  ];
  const spray = $derived(spraying.spray);
  const first = $derived(spray?.sources[0]);

  follow(
    () => [garden.stand?.id, garden.version, bench.ready] as const,
    () => {
      if (bench.ready) spraying.begin();
    },
  );

  // The working follows the spray.
  $effect(() => {
    if (!spray) return;
    // what stands on the desk itself is not said twice
    working.advice = spray.advice.filter((one) => !SAID.includes(one.key));
    working.show({
      title: 'How we worked it out',
      plain: 'A leaf takes up little: a spray is a spoon, not a plate.',
      steps: spray.working,
    });
  });
</script>

{#if bench.ready}<LeafPicks {bench} {spraying} />{/if}
<Message problem={spraying.hours.problem} again={spraying.hours.again} />
{#if spray && first}
  <div class="columns" class:stale={spraying.problem !== null}>
    <div class="sprayer">
      <Sprayer
        full={spray.load_l / spray.sprayer_l}
        load={spray.loads === 1 ? spray.load_text.replace(', one load', '') : spray.load_text}
        loads={spray.loads}
        strength={first.strength}
      />
      <p class="amount">{first.amount_text}</p>
      <p class="soft">of {first.name} in {spray.load_text}.</p>
      <p class="soft">
        What leaf holds: {spray.litres.range_text}, and half as much again for what drips. Both
        sides of the leaf. It reads {ec(spray.ec.value)}; urea does not show.
      </p>
    </div>
    <div class="figures">
      {#if spray.refused}
        <Note severity="stop" title={spray.refused}>{spray.safe_way}</Note>
      {:else if spray.over}
        <Note severity="care" title="Too strong for this leaf">{spray.limit_text}</Note>
      {:else}
        <p><b>Stands it:</b> {spray.limit_text} <span class="soft">{spray.air_text}</span></p>
      {/if}
      <p><b>{spray.fit}</b> {spray.brings}</p>
      <h2>What one plant gets through its leaves</h2>
      <LeafRows rows={spray.rows} />
      {#if spraying.hours.data}<HoursStrip hours={spraying.hours.data} route="leaves" />{/if}
    </div>
  </div>
{:else if !spraying.problem && !bench.problem}
  <p class="wait">Working it out…</p>
{/if}
<LeafBar {spraying} />

<style>
  .columns {
    display: grid;
    grid-template-columns: 200px minmax(0, 1fr);
    gap: 20px;
    padding: var(--space-2) 22px var(--space-3);
  }

  .stale {
    opacity: 0.55;
  }

  .sprayer,
  .figures {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-1);
    align-content: start;
  }

  .amount {
    font: 650 var(--text-xxl) / 1.1 var(--face-head);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  h2 {
    font-size: 1.0625rem;
  }

  .wait {
    padding: 22px;
  }

  @media (width <= 700px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
      padding-inline: var(--space-4);
    }

    .figures {
      order: -1;
    }
  }
</style>
