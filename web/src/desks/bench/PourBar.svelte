<script lang="ts">
  import { volume } from '../../app/measures';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import ActBar from './ActBar.svelte';
  import type { Bench } from './bench.svelte';
  import WhenBox from '../../ui/WhenBox.svelte';
  import EachBox from './EachBox.svelte';

  interface Props {
    bench: Bench;
    /** She pours plain water instead. */
    onplain: () => void;
  }
  let { bench, onplain }: Props = $props();
  const preview = $derived(bench.preview);
  /** What is left is said where it is for fewer cans than this. */
  const FEW = 5;
  let earlier = $state(false);
  const pour = $derived(preview?.pour ?? null);
  /** All that goes in, as one says it. */
  const poured = $derived.by(() => {
    if (!preview) return '';
    const spoons = preview.spoons ? `, about ${preview.spoons}` : '';
    const first = `${preview.concentrate.text} ${preview.unit}${spoons}`;
    const more = preview.more.map((one) => `${one.amount_text} of ${one.name}`);
    return [first, ...more].join(' and ');
  });
  const stand = $derived(garden.stand);
  const rest = $derived(bench.rest && bench.rest.standId !== stand?.id ? bench.rest : null);
  const verdict = $derived(garden.verdict);
  const asked = $derived(!verdict || verdict.kind === 'feed');
  const stopped = $derived(preview?.advice.some((one) => one.severity === 'stop') ?? false);
  const words = $derived.by(() => {
    if (bench.pouring) return 'Pouring…';
    if (bench.tenfold && bench.sure) return 'Yes, ten times the label: write it down';
    if (verdict && bench.asIs) return verdict.button;
    const plain = `Pour ${volume(bench.litres)} on each of ${stand?.count ?? 1}`;
    return asked && !stopped ? plain : `Write it down anyway: ${volume(bench.litres)} each`;
  });

  async function pourIt() {
    // a press right after a number was typed is of that number
    await bench.worked.settled();
    if (bench.problem) return;
    if (bench.tenfold && !bench.sure) {
      bench.sure = true;
      return;
    }
    void bench.pour(() => keys.read(''));
  }
  const short = $derived((pour?.left_l ?? 0) < -1e-6);
</script>

<ActBar wide={false}>
  {#if rest && stand}
    <div class="rest">
      <p>{volume(rest.leftL)} of {rest.ratio} are left in the can.</p>
      <Button writes onclick={() => bench.pourRest()} disabled={bench.pouring}>
        Pour them on {stand.spot}
      </Button>
    </div>
  {/if}
  <Message problem={bench.write.problem} />
  {#if stand && preview && pour}
    <Button
      writes
      look={asked && !stopped ? 'go' : 'plain'}
      disabled={bench.pouring || short || bench.problem !== null}
      onclick={pourIt}
    >
      {words}
    </Button>
    {#if !bench.plainly}<EachBox {bench} />{/if}
    <p class="told" class:laid={bench.plainly && !short}>
      {#if short}
        <strong>{volume(-pour.left_l)} more than this can holds; {pour.cans} would do.</strong> Pour one
        can at a time, or fill a larger one.
      {:else}
        {#if !bench.plainly}<b>{poured}</b> in the can.{/if}
        {pour.left_l > 0.005
          ? `${volume(pour.left_l)} left over. ${preview.keeps}`
          : 'Nothing left over.'}
        {#if preview.stock_after < 0}
          The jar does not hold enough.
        {:else if preview.stock_after < FEW * preview.amount}
          {preview.stock_after_text} left in the jar.
        {/if}
      {/if}
    </p>
    <details class="other">
      <summary>Other…</summary>
      <div>
        {#if bench.plainly}<EachBox {bench} />{/if}
        {#if asked}
          <button type="button" class="how" onclick={() => bench.halve()}>half strength</button>
          <button type="button" class="how" onclick={onplain}>plain water instead</button>
        {/if}
        <button type="button" class="how" onclick={() => (earlier = true)}>poured earlier</button>
        <button type="button" class="how" onclick={() => bench.explain('each')}
          >how much: how?</button
        >
      </div>
    </details>
    {#if earlier}
      <div class="when">
        <WhenBox bind:value={bench.pouredAt} trouble={bench.write.trouble('poured_at')} />
      </div>
    {/if}
  {:else if stand}
    <p>
      {bench.problem
        ? 'Say a strength that can be read, and pour it from here.'
        : 'Working it out…'}
    </p>
  {:else if garden.stop}
    <p>Nothing grows at {garden.stop.name} now. Choose another stop along the path to pour.</p>
  {:else}
    <p><b>Choose a stop along the path</b> to pour there and see what it likes.</p>
  {/if}
</ActBar>

<style>
  .rest {
    display: flex;
    flex-basis: 100%;
    gap: var(--space-3);
    align-items: center;
  }

  .how {
    min-height: var(--touch);
    padding: 0 2px;
    border: 0;
    background: none;
    color: var(--color-rim);
    font-size: var(--text-s);
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }

  summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    color: var(--color-rim);
    cursor: pointer;
  }

  .other > div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
  }

  .other[open] {
    flex-basis: 100%;
  }

  /* on a phone what is poured is read before it is pressed, and the button is one line */
  @media (width <= 1000px) {
    .told {
      flex-basis: 100%;
      order: -1;
      font-size: var(--text-s);
    }

    .laid {
      display: none;
    }
  }
</style>
