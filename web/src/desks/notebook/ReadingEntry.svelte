<script lang="ts">
  import { ecScale } from '../../app/measures';
  import { undo } from '../../app/undo.svelte';
  import type { Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import { clockTime } from '../../ui/time';

  interface Props {
    reading: Schemas['ReadingOut'];
    zone: string;
    /** It stands alone, as a reading of what drains; else it belongs to the can above. */
    drain?: boolean;
  }
  let { reading, zone, drain = false }: Props = $props();
  const asShown = $derived(`${reading.ec} ${ecScale()}` === reading.shown);
</script>

<div class:drain class={reading.verdict}>
  <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
    <path d="M8 2h6v10l-3 8-3-8Zm0 8h6" />
  </svg>
  <p>
    <b>
      {!drain
        ? 'The can reads'
        : reading.kind === 'water'
          ? `${reading.stop} reads`
          : `${reading.stop}: the ${reading.method === 'pour_through' ? 'drain' : 'sample'} reads`}
      {reading.ec}
      {ecScale()}
    </b>
    <span class="soft">
      {reading.range_text}{asShown ? '' : `, shown as ${reading.shown}`}{drain
        ? ''
        : ` · ${clockTime(reading.at, zone)}`}
    </span>
    {#if reading.practice}<b>practice: it weighs nothing</b>{/if}
    {#if reading.text}<span class="text">{reading.text}</span>{/if}
  </p>
  <span class="side">
    {#if drain}<time datetime={reading.at}>{clockTime(reading.at, zone)}</time>{/if}
    {#if reading.change_id !== null}
      <Button writes look="quiet" onclick={() => undo.take(reading.change_id)}>Undo</Button>
    {/if}
  </span>
</div>

<style>
  div {
    display: grid;
    grid-template-columns: 26px minmax(0, 1fr) auto;
    gap: var(--space-2);
    align-items: center;
    padding-left: var(--space-2);
    border-left: 3px solid var(--color-wish-edge);
    font-size: 0.9375rem;
  }

  .weaker,
  .stronger {
    border-color: var(--color-care);
  }

  .drain {
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  svg {
    fill: none;
    stroke: var(--color-rim);
    stroke-width: 2;
    stroke-linejoin: round;
  }

  .soft,
  time {
    color: var(--color-text-soft);
  }

  .text {
    display: block;
  }

  .side {
    display: flex;
    align-items: center;
  }
</style>
