<!-- One stop at a time, for a phone in a wet hand: what to pour, one large tick, the next. -->
<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { goTo } from '../../app/keys.svelte';
  import { volume } from '../../app/measures';
  import { follow } from '../../app/resource.svelte';
  import StagePlate from '../../drawings/plants/StagePlate.svelte';
  import Message from '../../ui/Message.svelte';
  import AmountSheet from './AmountSheet.svelte';
  import CanRecipe from './CanRecipe.svelte';
  import { blocksOf, round } from './round.svelte';
  import { haltsOf, nextOpen, type Halt } from './walk';
  import WalkLine from './WalkLine.svelte';
  import { may } from '../../ui/may.svelte';

  /** Which halt is shown: its key, since others go from the row once they are done. */
  let shown = $state('');
  let other = $state(false);
  let awake = $state(false);
  let lock: WakeLockSentinel | null = null;
  let from = 0;

  const data = $derived(round.today.data);
  const halts = $derived(data ? haltsOf(blocksOf(data)) : []);
  const done = $derived(halts.map(isDone));
  const left = $derived(done.filter((one) => !one).length);
  const at = $derived.by(() => {
    const found = halts.findIndex((one) => one.key === shown);
    return Math.max(0, found < 0 ? done.indexOf(false) : found);
  });
  const halt = $derived(halts[at]);
  const here = $derived(done[at] ?? false);
  const write = $derived(halt ? round.write(halt.key) : null);
  const stand = $derived.by(() => {
    const place = halt && 'row' in halt ? halt.row.place_id : '';
    return garden.stops.find((stop) => stop.id === place)?.stands[0];
  });
  /** What is still to be poured of the can in hand [L]. */
  const inHand = $derived.by(() => {
    if (halt?.kind !== 'pour') return 0;
    const rows = halt.can.rows.filter((row) => row.now && !round.ticked(row));
    return rows.reduce((sum, row) => sum + row.litres, 0);
  });

  follow(
    () => garden.version,
    () => void round.load(),
  );

  function isDone(one: Halt): boolean {
    if (one.kind === 'pour') return round.ticked(one.row);
    if (one.kind === 'plain') return one.plain.done || round.watered(one.key, one.key);
    if (one.kind === 'flush') return round.watered(one.key, one.flush.fill_id);
    return round.pressed.has(one.key);
  }

  function press() {
    if (halt && !here) void send(halt);
    go(nextOpen(done, at));
    document.querySelector<HTMLElement>('.walk .go')?.focus();
  }

  function send(now: Halt) {
    if (now.kind === 'pour') return round.tick(now.can, now.row);
    if (now.kind === 'dress') return round.spread(now.key, now.dress);
    if (now.kind === 'flush') return round.water(now.key, now.flush, now.flush.flushes);
    return round.water(now.key, now.plain);
  }

  function go(to: number) {
    shown = halts[to]?.key ?? '';
  }

  function step(by: number) {
    go(Math.min(Math.max(0, at + by), halts.length - 1));
  }

  function onkey(event: KeyboardEvent) {
    if (document.querySelector('dialog[open]')) return;
    const by = { ']': 1, '[': -1 }[event.key];
    if (by) step(by);
    else if (event.key === 'Escape') void goTo('/round');
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function swipe(event: PointerEvent) {
    const far = event.clientX - from;
    if (Math.abs(far) > 60) step(far < 0 ? 1 : -1);
  }

  async function keepAwake() {
    awake = !awake;
    if (awake) lock = await navigator.wakeLock.request('screen').catch(() => null);
    else await lock?.release();
    awake = awake && lock !== null;
  }

  $effect(() => () => void lock?.release());
</script>

<svelte:window onkeydowncapture={onkey} />

<svelte:head><title>Walk</title></svelte:head>
<section class="walk" aria-label="Walk">
  <header>
    <a href="/round">‹ Round</a>
    <b>{halts.length ? `${at + 1} of ${halts.length}` : ''}</b>
    {#if 'wakeLock' in navigator}
      <button type="button" aria-pressed={awake} onclick={keepAwake}>Stay on</button>
    {/if}
  </header>
  {#if halt}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div class="stop" onpointerdown={(event) => (from = event.clientX)} onpointerup={swipe}>
      <h1>{halt.name}</h1>
      {#if halt.kind === 'pour'}
        {#if halt.refill === 'mix' && !here}
          <div class="mix">
            <h2>
              {halt.can.mixed ? 'From' : 'Fill'} can {halt.can.letter}{halt.can.fills > 1
                ? `, ${halt.can.fills} times`
                : ''}
            </h2>
            <CanRecipe can={halt.can} />
          </div>
        {:else if halt.refill === 'again' && !here}
          <p class="care">Fill can {halt.can.letter} again.</p>
        {/if}
        <p class="soft">{halt.row.who}</p>
        <div class="much">
          <p class="amount">{here ? 'Done' : halt.row.amount}</p>
          <StagePlate stage={stand?.stage_key} grown={stand?.grown} size={110} />
        </div>
      {:else if halt.kind === 'plain'}
        <p class="soft">{halt.plain.who}</p>
        <p class="amount">{here ? 'Done' : halt.plain.amount}</p>
      {:else if halt.kind === 'flush'}
        <p class="amount">{here ? 'Done' : halt.flush.button}</p>
        <p class="care">{halt.flush.reason}</p>
      {:else}
        <p class="amount">{here ? 'Done' : halt.dress.portion.text}</p>
      {/if}
      <Message problem={write?.problem ?? null} />
      <WalkLine {done} {at} />
    </div>
    <footer>
      {#if halt.kind === 'pour'}
        <p>
          <span>in hand: <b>Can {halt.can.letter}</b></span>
          {#if inHand}<span>{volume(Number(inHand.toPrecision(2)))} to go</span>{/if}
        </p>
      {/if}
      {#if may.write}
        <button type="button" class="go" onclick={press}>
          {left === 0 ? 'All done' : here ? 'Next' : 'Done'}
        </button>
      {/if}
      <div class="two">
        {#if halt.kind === 'pour' && may.write}
          <button type="button" onclick={() => (other = true)}>
            {here ? 'change' : 'other amount'}
          </button>
        {/if}
        <button type="button" onclick={() => step(1)}>next ›</button>
      </div>
    </footer>
    {#if halt.kind === 'pour'}
      <AmountSheet can={halt.can} row={halt.row} bind:open={other} />
    {/if}
  {:else if data}
    <p class="stop">Nothing to pour today.</p>
  {/if}
</section>

<style>
  .walk {
    position: fixed;
    inset: 0;
    z-index: 3;
    display: grid;
    grid-template-rows: auto minmax(0, 1fr) auto;
    background: var(--color-panel);
  }

  header,
  footer {
    padding: var(--space-2) var(--space-4);
    background: var(--color-ground);
  }

  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    border-bottom: 2px solid var(--color-rim);
  }

  header a,
  header button {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: none;
  }

  header button[aria-pressed='true'] {
    font-weight: 700;
    text-decoration: underline;
  }

  .stop {
    display: grid;
    gap: var(--space-3);
    align-content: start;
    width: 100%;
    max-width: 640px;
    margin: 0 auto;
    padding: var(--space-4);
    overflow-y: auto;
    touch-action: pan-y;
  }

  h1 {
    font-size: var(--text-xxl);
  }

  h2 {
    font-size: var(--text-l);
  }

  .mix {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  .much {
    display: flex;
    gap: var(--space-4);
    align-items: center;
    justify-content: space-between;
  }

  .much > :global(svg) {
    width: 84px;
    height: 84px;
  }

  .amount {
    font: 700 3.2rem / 1.05 var(--face-head);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .care {
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
  }

  footer {
    display: grid;
    gap: var(--space-2);
    width: 100%;
    border-top: 1px solid var(--color-line);
  }

  footer > * {
    width: 100%;
    max-width: 640px;
    margin: 0 auto;
  }

  footer p {
    display: flex;
    justify-content: space-between;
  }

  .go {
    min-height: 96px;
    border: 0;
    border-radius: var(--radius);
    background: var(--color-go);
    color: var(--color-on-go);
    font: 700 var(--text-xxl) / 1 var(--face-head);
    cursor: pointer;
  }

  .two {
    display: flex;
    gap: var(--space-2);
  }

  .two button {
    flex: 1;
    min-height: 52px;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel);
    cursor: pointer;
  }
</style>
