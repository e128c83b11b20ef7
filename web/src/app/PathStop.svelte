<script lang="ts">
  import StagePlate from '../drawings/plants/StagePlate.svelte';
  import KindMark from '../ui/KindMark.svelte';
  import { ago } from '../ui/time';
  import { garden, type Stop } from './garden.svelte';

  interface Props {
    stop: Stop;
    index: number;
  }
  const { stop, index }: Props = $props();
  const fed = $derived(
    stop.fed_at && garden.path ? `fed ${ago(stop.fed_at, garden.path.now, garden.path.zone)}` : '',
  );
  const aside = $derived([stop.line, stop.read_text, fed].filter(Boolean).join(' · '));

  /** The path swings a little at each stop, always the same way. */
  function swing(index: number): number {
    return [4, -3, 2, -4, 3, -2][index % 6] ?? 0;
  }
</script>

<!-- What it wants today in three words; a stop along the path: choose it, or leave it again. -->
<button
  type="button"
  aria-current={stop.id === garden.stop?.id ? 'true' : undefined}
  onclick={() => garden.choose(stop.id === garden.stop?.id ? null : stop)}
>
  <svg class="way" width="34" height="62" viewBox="0 0 34 62" aria-hidden="true">
    <path
      d="M{17 + swing(index - 1) / 2 + swing(index) / 2} {index ? -16 : -6}
         V-6
         Q{17 + swing(index) * 2} 16 {17 + swing(index)} 31
         T{17 + swing(index) / 2 + swing(index + 1) / 2} 68
         V78"
    />
    <circle cx={17 + swing(index)} cy="31" r={stop.id === garden.stop?.id ? 8 : 6} />
  </svg>
  <span class="words">
    <b>{stop.name}</b>
    {#if stop.mark && stop.mark_kind}
      <span class="mark"><KindMark kind={stop.mark_kind} />{stop.mark}</span>
    {/if}
    <span class="line" title={aside}>{stop.line}</span>
  </span>
  <StagePlate stage={stop.stands[0]?.stage_key} grown={stop.stands[0]?.grown} size={40} />
</button>

<style>
  button {
    display: flex;
    gap: 6px;
    align-items: center;
    width: 100%;
    min-height: 62px;
    padding: var(--space-1) var(--space-2) var(--space-1) 0;
    border: 0;
    border-radius: var(--radius) 0 0 var(--radius);
    background: none;
    text-align: left;
    cursor: pointer;
  }

  button[aria-current] {
    background: var(--color-panel);
    box-shadow: inset 3px 0 0 var(--color-rim);
  }

  .way {
    flex: none;
    margin-block: calc(-1 * var(--space-1));
    overflow: visible;
  }

  .way path {
    fill: none;
    stroke: var(--color-edge);
    stroke-width: 2;
  }

  .way circle {
    fill: var(--color-ground);
    stroke: var(--color-text);
    stroke-width: 2;
  }

  button[aria-current] circle {
    fill: var(--color-rim);
    stroke: var(--color-rim);
  }

  .words {
    flex: 1;
    min-width: 0;
    color: var(--color-text-soft);
    font-size: var(--text-s);
    line-height: 1.25;
  }

  .words b {
    display: block;
    color: var(--color-text);
    font-size: 0.9375rem;
    font-weight: 600;
  }

  .words .mark {
    display: flex;
    gap: var(--space-1);
    align-items: center;
    color: var(--color-text);
    font-weight: 550;
  }

  .words .line {
    display: block;
    overflow-wrap: anywhere;
  }

  @media (width <= 1000px) {
    button {
      min-height: 56px;
      padding: 0 var(--space-3);
      border: 1px solid var(--color-line);
      border-radius: var(--radius);
    }

    button[aria-current] {
      border-color: var(--color-rim);
      box-shadow: inset 0 3px 0 var(--color-rim);
    }

    .way,
    .words .line {
      display: none;
    }
  }
</style>
