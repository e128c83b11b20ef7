<script lang="ts">
  import { volume } from '../../app/measures';
  import { undo } from '../../app/undo.svelte';
  import type { Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import { clockTime } from '../../ui/time';
  import CorrectionCard from './CorrectionCard.svelte';
  import MendSheet from './MendSheet.svelte';
  import ReadingEntry from './ReadingEntry.svelte';

  interface Props {
    dose: Schemas['DoseOut'];
    /** The garden's time zone. */
    zone: string;
  }
  let { dose, zone }: Props = $props();
  let mending = $state(false);
  /** Whether its newest reading is off. */
  const wrong = $derived(['weaker', 'stronger'].includes(dose.readings[0]?.verdict ?? ''));
</script>

<article>
  <svg width="22" height="30" viewBox="0 0 22 30" aria-hidden="true">
    <path d="M11 2c5 8 9 12 9 17a9 9 0 0 1-18 0c0-5 4-9 9-17Z" />
  </svg>
  <div class="words">
    <h3>{volume(Number(dose.litres))} on {dose.stop}</h3>
    <p>
      {volume(Number(dose.litres_each))} on each of {dose.counted} · {dose.ratio} in {dose.vessel} of
      {dose.water} ·
      {dose.sources.join(', ')}
    </p>
    <p class="figures">
      {#each Object.entries(dose.mg_l) as [name, value] (name)}
        <span><b>{name}</b> {value}</span>
      {/each}
      <span class="soft">mg/L</span>
      <span
        ><b>should read</b> {dose.expected} <span class="soft">({dose.expected_range})</span></span
      >
      {#if dose.left_l > 0.01}<span class="soft">{volume(dose.left_l)} left in the can</span>{/if}
    </p>
    {#each dose.readings as reading (reading.id)}
      <ReadingEntry {reading} {zone} />
    {/each}
    {#if dose.left_l > 0.01 && wrong}<CorrectionCard canId={dose.can_id} />{/if}
  </div>
  <div class="side">
    <time datetime={dose.at}>{clockTime(dose.at, zone)}</time>
    <Button writes look="quiet" onclick={() => (mending = true)}>Put it right</Button>
    {#if dose.change_id !== null}
      <Button writes look="quiet" onclick={() => undo.take(dose.change_id)}>Undo</Button>
    {/if}
  </div>
</article>
<MendSheet kind="dose" id={dose.id} bind:open={mending} />

<style>
  article {
    display: grid;
    grid-template-columns: 26px minmax(0, 1fr) auto;
    gap: var(--space-3);
    padding: var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  svg {
    fill: var(--color-rim);
  }

  h3 {
    font-size: 1.0625rem;
  }

  p {
    font-size: 0.9375rem;
  }

  .words {
    display: grid;
    gap: 2px;
  }

  .figures {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .side {
    display: grid;
    justify-items: end;
    align-content: start;
    color: var(--color-text-soft);
  }
</style>
