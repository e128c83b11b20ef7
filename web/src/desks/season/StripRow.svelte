<script lang="ts">
  import { bandsOf, dateShort, dropSize, type Coming, type Strip } from './strips';

  interface Props {
    strip: Strip;
    /** What is to come, drawn hollow; pressed, it says why. */
    coming: Coming[];
    onwhy: (event: Coming) => void;
    /** Where a day lies [px], and how wide the axis is. */
    x: (date: string) => number;
    width: number;
    /** The most nitrogen that any gift carries [mg a plant]. */
    most: number;
  }
  let { strip, coming, onwhy, x, width, most }: Props = $props();
  const bands = $derived(bandsOf(strip.stages, strip.ended_on ?? null, x, width));
  const gifts = $derived(strip.drops.filter((drop) => x(drop.on) >= 0));
</script>

<svg {width} height="48" viewBox="0 0 {width} 48" role="img" aria-label={strip.text}>
  {#each bands as band (band.key)}
    <g>
      <title>{band.title}</title>
      <rect class="band {band.tone}" x={band.from} y="2" width={band.to - band.from} height="22" />
      {#if band.words}
        <text x={band.from + 6} y="18">{band.words}</text>
      {/if}
    </g>
  {/each}
  {#each bands as band (band.key)}
    {#if band.seen}
      <path class="seen" d="M{band.from} 0v26" />
    {:else if band.high - band.low > 6 && band.from > 0}
      <path
        class="doubt"
        d="M{band.low} 27h{band.high - band.low}M{band.low} 24v6M{band.high} 24v6"
      />
    {/if}
  {/each}
  {#each gifts as gift, index (index)}
    <g transform="translate({x(gift.on)} 40) scale({dropSize(gift.nitrogen_mg, most)})">
      <title>{gift.text}</title>
      {#if gift.source !== 'dressings'}
        <path class="drop" d="M0 -12c4 6 6 9 6 12a6 6 0 0 1-12 0c0-3 2-6 6-12Z" />
      {:else}
        <path class="grain" d="M-7 6 -4 -4H4L7 6Z" />
      {/if}
    </g>
  {/each}
  {#each coming as event (event.id)}
    <!-- the same stands in a list of buttons beside the chart -->
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
    <g
      class="coming"
      transform="translate({x(event.on)} 40) scale({dropSize(event.nitrogen_mg, most)})"
      onclick={() => onwhy(event)}
    >
      <title>{dateShort(event.on)}: {event.text}</title>
      {#if event.kind === 'dress'}
        <path class="hollow" d="M-7 6 -4 -4H4L7 6Z" />
      {:else}
        <path class="hollow" d="M0 -12c4 6 6 9 6 12a6 6 0 0 1-12 0c0-3 2-6 6-12Z" />
      {/if}
    </g>
  {/each}
</svg>

<style>
  svg {
    display: block;
  }

  .band {
    stroke: var(--color-edge);
    stroke-width: 0.75;
  }

  .early {
    fill: var(--color-stage-early);
  }

  .leaf {
    fill: var(--color-stage-leaf);
  }

  .flower {
    fill: var(--color-stage-flower);
  }

  .fruit {
    fill: var(--color-stage-fruit);
  }

  .store {
    fill: var(--color-stage-store);
  }

  .rest {
    fill: var(--color-stage-rest);
  }

  text {
    fill: var(--color-text);
    font-size: 14px;
  }

  .seen {
    stroke: var(--color-text);
    stroke-width: 3;
  }

  .doubt {
    fill: none;
    stroke: var(--color-edge);
    stroke-width: 1.5;
  }

  .drop {
    fill: var(--color-rim);
  }

  .coming {
    cursor: pointer;
  }

  .hollow {
    fill: var(--color-panel);
    stroke: var(--color-rim);
    stroke-width: 1.75;
  }

  .grain {
    fill: var(--color-brew);
    stroke: var(--color-text);
    stroke-width: 0.75;
  }
</style>
