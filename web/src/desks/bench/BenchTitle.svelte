<script lang="ts">
  import { volume } from '../../app/measures';
  import { garden } from '../../app/garden.svelte';
  import { saySalt } from '../../app/saySalt';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import { dateInWords } from '../../ui/time';
  import type { Bench } from './bench.svelte';
  import RouteSwitch from './RouteSwitch.svelte';

  interface Props {
    bench: Bench;
    /** Whether a can is mixed here. */
    mixing: boolean;
    onlook: () => void;
  }
  const { bench, mixing, onlook }: Props = $props();
  const LATELY_MS = 2 * 24 * 3600 * 1000;
  const stand = $derived(garden.stand);
  const verdict = $derived(garden.verdict);
  const title = $derived(
    stand && verdict ? `${stand.spot}: ${verdict.mark}` : (bench.jar?.name ?? 'The Bench'),
  );
  const write = new Write();

  /** Whether a feed of the last days can have been the one too many. */
  const justFed = $derived.by(() => {
    const at = garden.stop?.fed_at;
    const now = garden.path?.now;
    return !!at && !!now && Date.parse(now) - Date.parse(at) < LATELY_MS;
  });

  const tooMuch = () => garden.spot && saySalt(write, garden.spot.subject_id, 'too_much');
</script>

<svelte:head><title>{title} · Dace</title></svelte:head>

<header>
  <div class="top">
    <h1>
      {title}
      {#if !verdict && bench.preview}in a can of {volume(bench.preview.vessel_l)}{/if}
    </h1>
    {#if stand && garden.stop}
      <div class="links off-paper">
        {#if !verdict?.question || verdict.question.about !== 'stage'}
          <Button writes look="quiet" onclick={onlook}>I see a change</Button>
        {/if}
        {#if justFed && garden.spot && !['flush', 'water'].includes(garden.verdict?.kind ?? '')}
          <Button writes look="quiet" disabled={write.busy} onclick={tooMuch}>
            Poured too much
          </Button>
        {/if}
        <a href="/place{garden.search}">What the roots say</a>
      </div>
    {/if}
  </div>
  <div class="line">
    <p class="for">
      {#if stand && garden.stop}
        {stand.counted} ·
        {stand.stage}{stand.question ? '?' : ` since ${dateInWords(stand.stage_since)}`}{stand.fed
          ? ''
          : ' · kept unfed, to compare'}{garden.spot?.read_text
          ? ` · ${garden.spot.read_text}`
          : ''}
      {:else if mixing}
        for no stop in particular
      {/if}
    </p>
    <RouteSwitch bind:route={bench.route} />
  </div>
  {#if garden.stop && garden.stop.stands.length > 1}
    <div class="stands" role="group" aria-label="Which of these">
      {#each garden.stop.stands as one (one.id)}
        <button
          type="button"
          aria-pressed={one.id === stand?.id}
          onclick={() => garden.chooseStand(one)}
        >
          {one.spot === garden.stop.name ? one.crop : one.spot}
        </button>
      {/each}
    </div>
  {/if}
</header>

<style>
  header {
    display: grid;
    gap: 2px;
    padding: var(--space-3) 22px 0;
  }

  h1 {
    font-size: 1.5625rem;
  }

  .top,
  .line,
  .links {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-4);
    align-items: center;
  }

  .top,
  .line {
    justify-content: space-between;
  }

  .links a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  .for {
    color: var(--color-text-soft);
  }

  .stands {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin-bottom: var(--space-2);
  }

  .stands button {
    min-height: var(--touch);
    padding: 0 var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-round);
    background: none;
    cursor: pointer;
  }

  .stands button[aria-pressed='true'] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
    font-weight: 600;
  }

  @media (width <= 700px) {
    .links > :global(button) {
      padding-left: 0;
    }

    header {
      padding-inline: var(--space-4);
    }

    h1 {
      font-size: 1.375rem;
    }
  }
</style>
