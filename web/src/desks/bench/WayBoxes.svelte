<script lang="ts">
  import { inGallons } from '../../app/measures';
  import { textOf } from '../../ui/typed';
  import type { Bench, Held } from './bench.svelte';
  import { WAYS, type Way } from './strength';

  interface Props {
    bench: Bench;
  }
  let { bench }: Props = $props();
  const id = $props.id();
  /** Characters that a box shows whole. */
  const FITS = 8;
  const trouble = $derived(bench.problem && !bench.typing ? bench.problem.message : '');
  const ofStrength = $derived(!bench.problem || bench.problem.field === 'strength');

  const unit = $derived(bench.preview?.unit ?? 'mL');
  // a share of the label is a way only where the jar's label gives a rate, nitrogen where it has any
  const ways = $derived(
    WAYS.filter((one) => (bench.preview ? bench.preview.ways[one.way] : one.way !== 'label')),
  );

  /** The box that has the focus keeps its text: no answer rewrites it under the fingers. */
  let held = $state<Held | null>(null);

  function shown(way: Way): string {
    if (bench.typed?.way === way) return bench.typed.text;
    return held?.way === way ? held.text : (bench.preview?.ways[way]?.shown ?? '');
  }

  function hold(way: Way, input: HTMLInputElement) {
    const said = bench.preview?.ways[way]?.said ?? '';
    held = { way, text: input.value, said, before: bench.said };
    input.select();
  }

  function release() {
    held = null;
    bench.typedOut();
  }

  const named = (label: string) =>
    label.replace('unit', unit).replace('volume', inGallons() ? 'gallon' : 'litre');
  const wrong = (way: Way) =>
    trouble !== '' && ofStrength && (bench.typed ? bench.typed.way === way : way === 'parts');
</script>

<div class="ways" role="group" aria-label="How strong, said in any of these ways">
  {#each ways as { way, label } (way)}
    <label class:wrong={wrong(way)} class:long={shown(way).length > FITS}>
      <span>{named(label)}</span>
      <input
        value={shown(way)}
        autocomplete="off"
        spellcheck="false"
        aria-invalid={wrong(way) ? 'true' : undefined}
        aria-describedby={wrong(way) ? `${id}-trouble` : undefined}
        oninput={(event) => bench.type(way, event.currentTarget.value, held ?? undefined)}
        onfocus={(event) => hold(way, event.currentTarget)}
        onblur={release}
      />
    </label>
  {/each}
</div>
{#if trouble}<p class="trouble" id="{id}-trouble" role="alert">{trouble}</p>{/if}
{#if bench.preview && bench.preview.readings.length > 1 && !bench.problem}
  <div
    class="readings"
    role="group"
    aria-label="“{textOf(bench.said)}” can be read in more than one way"
  >
    {#each bench.preview.readings as reading, index (reading.meaning)}
      <button
        type="button"
        aria-pressed={index === bench.reading}
        onclick={() => bench.pickReading(index)}
      >
        <b>{reading.meaning}</b>
        {reading.amount_text}, reads {reading.ec_text}
      </button>
    {/each}
  </div>
{/if}

<style>
  .ways {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(64px, 1fr));
    gap: 5px;
  }

  label {
    display: block;
    padding: 5px 5px 4px;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  .long {
    grid-column: span 3;
  }

  label:focus-within {
    border-color: var(--color-rim);
    box-shadow: 0 0 0 2px var(--color-rim);
  }

  label.wrong {
    border-color: var(--color-stop);
    box-shadow: 0 0 0 1px var(--color-stop);
  }

  span {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
    line-height: 1.2;
    white-space: nowrap;
  }

  input {
    width: 100%;
    min-height: var(--touch);
    padding: 0;
    border: 0;
    background: none;
    font: 600 var(--text-m) / 1.15 var(--face-head);
  }

  input:focus {
    outline: none;
  }

  .trouble {
    margin-top: var(--space-1);
    color: var(--color-stop);
    font-size: 0.9375rem;
  }

  .readings {
    display: flex;
    gap: var(--space-2);
    margin-top: var(--space-2);
  }

  .readings button {
    flex: 1;
    min-height: var(--touch);
    padding: var(--space-1) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    font-size: var(--text-s);
    text-align: left;
    cursor: pointer;
  }

  .readings b {
    display: block;
  }

  .readings button[aria-pressed='true'] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
  }

  @media (width <= 700px) {
    .ways {
      grid-template-columns: repeat(auto-fit, minmax(100px, 1fr));
    }
  }
</style>
