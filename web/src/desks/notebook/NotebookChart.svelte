<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { apart, scalesFor, type Frame } from '../../charts/timeline';

  interface Props {
    book: Schemas['NotebookOut'];
    zone: string;
  }
  let { book, zone }: Props = $props();
  const FRAME: Frame = { width: 900, height: 420, left: 44, right: 122, top: 16, bottom: 84 };

  const time = (at: string) => Date.parse(at);
  const cans = $derived(
    book.doses.flatMap((dose) =>
      dose.readings.map((reading) => ({ ...reading, stop: dose.stop, what: 'can' as const })),
    ),
  );
  const drains = $derived(book.readings.map((one) => ({ ...one, what: 'drain' as const })));
  const points = $derived([...cans, ...drains]);
  const expected = $derived(
    book.doses.map((dose) => ({ at: time(dose.at), ec: Number(dose.expected), dose })),
  );
  const scales = $derived(
    scalesFor(
      FRAME,
      [...points.map((one) => time(one.at)), ...expected.map((one) => one.at)],
      [...points.map((one) => one.ec_ms_cm), ...expected.map((one) => one.ec)],
    ),
  );
  /** What drains from one stop, joined in the order of time. */
  const trails = $derived(
    [...new Set(drains.map((one) => one.stop))].map((stop) => {
      const own = drains.filter((one) => one.stop === stop);
      own.sort((one, other) => time(one.at) - time(other.at));
      const at = own.map((one) => `${scales.x(time(one.at))} ${scales.y(one.ec_ms_cm)}`);
      const end = scales.y(own.at(-1)?.ec_ms_cm ?? 0);
      return { stop, end, d: `M${at.join('L')}` };
    }),
  );
  const names = $derived(
    apart(
      trails.map((trail) => trail.end),
      17,
    ),
  );
  const dayName = (at: number) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, day: 'numeric', month: 'short' }).format(at);
  const shortened = (name: string) => (name.length > 15 ? `${name.slice(0, 14)}…` : name);
  const nitrogen = (dose: Schemas['DoseOut']) => Number(dose.mg_l.N ?? 0) * Number(dose.litres);
  const mostNitrogen = $derived(Math.max(1, ...book.doses.map(nitrogen)));
  const size = (dose: Schemas['DoseOut']) => 0.45 + 0.75 * Math.sqrt(nitrogen(dose) / mostNitrogen);
  const summary = $derived(
    `${book.doses.length} doses as drops sized by their nitrogen, ${cans.length} readings of cans and ` +
      `${drains.length} of what drains or of water, on one axis of days; conductivity upwards.`,
  );
</script>

<figure>
  <svg viewBox="0 0 {FRAME.width} {FRAME.height}" role="img" aria-label={summary}>
    {#each scales.steps as step (step.ec)}
      <path class="grid" d="M{FRAME.left} {step.y}H{FRAME.width - FRAME.right}" />
      <text class="end" x={FRAME.left - 8} y={step.y + 5}>{Number(step.ec.toFixed(2))}</text>
    {/each}
    {#each scales.days as day (day.at)}
      <text class="mid" x={day.x} y={FRAME.height - 10}>{dayName(day.at)}</text>
      <path class="grid" d="M{day.x} {FRAME.top}V{FRAME.height - 30}" />
    {/each}
    {#each book.doses as dose (dose.id)}
      <g transform="translate({scales.x(time(dose.at))} {FRAME.height - 54}) scale({size(dose)})">
        <title>{dose.litres} L on {dose.stop}, {dose.ratio}</title>
        <path class="drop" d="M0 -17c5 8 9 12 9 17a9 9 0 0 1-18 0c0-5 4-9 9-17Z" />
      </g>
    {/each}
    {#each expected as one (one.dose.id)}
      <path class="expected" d="M{scales.x(one.at) - 7} {scales.y(one.ec)}h14" />
    {/each}
    {#each trails as trail, index (trail.stop)}
      <path class="trail" d={trail.d} />
      <text x={FRAME.width - FRAME.right + 12} y={(names[index] ?? 0) + 5}
        >{shortened(trail.stop)}</text
      >
    {/each}
    {#each points as one (one.id)}
      <g transform="translate({scales.x(time(one.at))} {scales.y(one.ec_ms_cm)})">
        <title>{one.stop}: {one.what} {one.ec} mS/cm</title>
        {#if one.what === 'can'}
          <rect class="can" x="-5" y="-5" width="10" height="10" />
        {:else}
          <circle class="drain" r="5.5" />
        {/if}
      </g>
    {/each}
  </svg>
  <figcaption>
    <span><i class="square"></i> can, read</span>
    <span><i class="dash"></i> can, expected</span>
    <span><i class="round"></i> what drains, or water</span>
    <span>drops: doses, sized by the nitrogen they carry</span>
    <span>mS/cm at 25 °C</span>
  </figcaption>
</figure>

<style>
  figure {
    margin: var(--space-3) 0 0;
    overflow-x: auto;
  }

  svg {
    display: block;
    width: 100%;
    min-width: 560px;
  }

  .grid {
    fill: none;
    stroke: var(--color-line);
  }

  text {
    fill: var(--color-text-soft);
    font-size: 15px;
  }

  .end {
    text-anchor: end;
  }

  .mid {
    text-anchor: middle;
  }

  .drop {
    fill: var(--color-rim);
  }

  .expected {
    stroke: var(--color-text);
    stroke-width: 2.5;
  }

  .trail {
    fill: none;
    stroke: var(--color-stop);
    stroke-width: 1.5;
    opacity: 0.5;
  }

  .can {
    fill: var(--color-care);
    stroke: var(--color-panel);
  }

  .drain {
    fill: var(--color-stop);
    stroke: var(--color-panel);
  }

  figcaption {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-4);
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  i {
    display: inline-block;
    width: 11px;
    height: 11px;
  }

  .square {
    background: var(--color-care);
  }

  .round {
    border-radius: 50%;
    background: var(--color-stop);
  }

  .dash {
    height: 0;
    border-top: 3px solid var(--color-text);
    vertical-align: 4px;
  }
</style>
