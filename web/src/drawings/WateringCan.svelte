<script lang="ts">
  interface Props {
    /** What the can holds when full, in words. */
    holds: string;
    /** The scale of what it should read. */
    unit: string;
    /** What the pen should read, in words. */
    reads: string;
    /** Its range, in words. */
    range: string;
    /** How full it is, 0 to 1, and how brown what is in it, 0 to 1. */
    full?: number;
    tint?: number;
  }
  let { holds, reads, unit, range, full = 1, tint = 0 }: Props = $props();
  const id = $props.id();
  const y = $derived(264 - 222 * full);
</script>

<svg
  viewBox="0 0 276 268"
  style:--tint="{100 * tint}%"
  role="img"
  aria-label="A can filled to {holds}; the pen should read {reads} {unit}, {range}"
>
  <defs>
    <clipPath {id}>
      <path d="M66 16h126l8 230c0 10-8 18-20 18H78c-12 0-20-8-20-18Z" />
    </clipPath>
  </defs>
  <path class="outline" stroke-width="13" d="M66 186 16 68" />
  <path class="tin" stroke-width="9" d="M66 186 16 68" />
  <path class="outline" stroke-width="9" d="M4 62l22-12" />
  <path class="outline" stroke-width="9" d="M190 46c62-22 66 120 8 150" />
  <path class="tin" stroke-width="5" d="M190 46c62-22 66 120 8 150" />
  <g clip-path="url(#{id})">
    <rect class="inside" x="50" y="6" width="160" height="270" />
    <rect class="water" x="50" {y} width="160" height="230" />
    <path class="ripple" d="M50 {y}c26-6 54 6 80 0s54-6 80 0v7H50Z" />
  </g>
  <path class="body" d="M66 16h126l8 230c0 10-8 18-20 18H78c-12 0-20-8-20-18Z" />
  <path class="brim" d="M62 16h134" />
  <path class="mark" d="M66 {y}h18" />
  <text class="holds" x="130" y="232">{holds}</text>
  <g transform="translate(84 112)">
    <rect class="tag" width="96" height="88" rx="9" />
    <text class="pen" x="48" y="32">pen</text>
    <text class="small" x="48" y="21">should read</text>
    <text class="big" x="48" y="49">{reads}</text>
    <text class="small" x="48" y="66">{unit}</text>
    <text class="small" x="48" y="82">{range}</text>
  </g>
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-height: 184px;
  }

  text {
    fill: var(--color-text);
    font-size: 15px;
  }

  .outline,
  .tin,
  .body,
  .mark {
    fill: none;
    stroke: var(--color-text);
    stroke-linecap: round;
  }

  .tin {
    stroke: var(--color-rim-tint);
  }

  .body {
    stroke-width: 2;
  }

  .mark {
    stroke-width: 1.5;
  }

  .brim {
    stroke: var(--color-rim);
    stroke-width: 7;
    stroke-linecap: round;
  }

  .inside {
    fill: var(--color-glass);
  }

  .water {
    fill: color-mix(in oklab, var(--color-brew) var(--tint), var(--color-water));
  }

  .ripple {
    fill: color-mix(in oklab, var(--color-brew-top) var(--tint), var(--color-water-top));
  }

  .tag {
    fill: var(--color-panel);
    stroke: var(--color-line);
  }

  .small {
    fill: var(--color-text-soft);
    font-size: 14px;
    text-anchor: middle;
  }

  .holds {
    font: 650 21px var(--face-head);
    text-anchor: middle;
  }

  .pen {
    display: none;
    font-size: 32px;
    text-anchor: middle;
  }

  .big {
    font: 650 28px var(--face-head);
    text-anchor: middle;
  }

  /* drawn small, it keeps what is read at arm's length */
  @container (width <= 160px) {
    .small {
      display: none;
    }

    .pen {
      display: block;
    }

    .big {
      font-size: 44px;
      transform: translateY(24px);
    }

    .holds {
      font-size: 34px;
      transform: translateY(8px);
    }
  }
</style>
