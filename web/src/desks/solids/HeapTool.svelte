<!-- A heap thought of: what goes in, what it lacks, when it is ready, and what comes out. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { degreesUnit, ecScale, example, fromScale } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import { fromFahrenheit } from '../../ui/degrees';
  import { draftOf, keepDraft } from '../../ui/drafts';
  import HeapSays from './HeapSays.svelte';
  import KeepHeap from './KeepHeap.svelte';

  const { offered }: { offered: Schemas['SolidsOut'] } = $props();
  type Method = Schemas['HeapIn']['method'];
  interface Thought {
    method: Method;
    covered: boolean;
    /** All of it from ground that nobody sprayed. */
    known: boolean;
    rain: string;
    warm: string;
    weeks: string;
    reading: string;
    rows: { material: string; amount: string }[];
  }
  const BEGUN: Thought = {
    method: 'cold_unturned',
    covered: false,
    known: false,
    rain: example('300', '12'),
    warm: degreesUnit() === '°F' ? '54' : '12',
    weeks: '0',
    reading: '',
    rows: [
      { material: 'grass_clippings', amount: '2 barrows' },
      { material: 'wheat_straw', amount: '1 bale' },
    ],
  };
  let thought = $state<Thought>(draftOf<Thought>('heap') ?? BEGUN);
  const found = new Resource<Schemas['HeapOut']>();
  let keeping = $state(false);
  const heap = $derived(found.data);
  const materials = $derived(offered.materials.map((one) => ({ value: one.key, name: one.name })));
  const methods = $derived(offered.methods.map((one) => ({ value: one.key, name: one.name })));
  const number = (text: string, otherwise: number) => {
    const value = Number(text.replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(value) ? value : otherwise;
  };
  const INCH_MM = 25.4;
  const rainUnit = () => example('mm', 'in');
  const rainMm = (typed: number) => (rainUnit() === 'in' ? typed * INCH_MM : typed);
  const airC = (typed: number) => (degreesUnit() === '°F' ? fromFahrenheit(typed) : typed);
  const asked = $derived({
    method: thought.method,
    covered: thought.covered,
    rain_mm: rainMm(number(thought.rain, 0)),
    temperature_c: thought.warm.trim() ? airC(number(thought.warm, 12)) : 12,
    weeks: Math.max(0, number(thought.weeks, 0)),
    reading: thought.reading.trim() ? fromScale(number(thought.reading, 0)) || null : null,
    inputs: thought.rows
      .filter((one) => one.amount.trim())
      .map((one) => ({ ...one, known: thought.known })),
  });

  follow(
    () => JSON.stringify(asked),
    () => {
      keepDraft('heap', thought);
      const body = asked;
      if (body.inputs.length)
        found.soon((signal) => ask(client.POST('/api/solids/heap', { body, signal })));
    },
  );

  const add = () => thought.rows.push({ material: 'vegetable_scraps_mixed', amount: '1 bucket' });
</script>

<div class="heap">
  <form onsubmit={(event) => event.preventDefault()} aria-label="What goes on the heap">
    <div class="kept">
      <Choice label="How it is kept" labelled bind:value={thought.method} options={methods} />
    </div>
    <ol>
      {#each thought.rows as row, at (at)}
        <li>
          <input
            aria-label="How much, layer {at + 1}"
            bind:value={row.amount}
            autocomplete="off"
            placeholder={example('20 kg', '40 lb')}
          />
          <Choice label="Of what, layer {at + 1}" bind:value={row.material} options={materials} />
          <Button
            look="quiet"
            disabled={thought.rows.length === 1}
            onclick={() => thought.rows.splice(at, 1)}
            >×<span class="unseen"> take layer {at + 1} off</span></Button
          >
        </li>
      {/each}
    </ol>
    <div class="line">
      <Button onclick={add}>Add a layer</Button>
      <p class="soft">
        {example('kg, buckets, barrows or bales', 'lb, buckets, barrows or bales')}
      </p>
    </div>
    <div class="line">
      <label><input type="checkbox" bind:checked={thought.covered} /> covered</label>
      <label><input type="checkbox" bind:checked={thought.known} /> nobody sprayed it</label>
      {#if !thought.covered}
        <label
          >rain, {rainUnit()}
          <input class="short" bind:value={thought.rain} inputmode="decimal" /></label
        >
      {/if}
      <label
        >air, {degreesUnit()}
        <input class="short" bind:value={thought.warm} inputmode="decimal" /></label
      >
      <label>weeks old <input class="short" bind:value={thought.weeks} inputmode="decimal" /></label
      >
    </div>
  </form>
  <Message problem={found.problem} again={found.again} />
  {#if heap && !found.problem}
    <HeapSays {heap}>
      {#snippet reading()}
        <label>
          It reads, 1 in 5 <input
            class="short"
            bind:value={thought.reading}
            inputmode="decimal"
            placeholder={ecScale()}
          />
        </label>
      {/snippet}
    </HeapSays>
    <div><Button writes look="go" onclick={() => (keeping = true)}>Keep this heap</Button></div>
  {/if}
</div>
<KeepHeap
  method={thought.method}
  covered={thought.covered}
  inputs={asked.inputs}
  name={methods.find((one) => one.value === thought.method)?.name ?? ''}
  bind:open={keeping}
/>

<style>
  .heap,
  form {
    display: grid;
    gap: var(--space-2);
    align-content: start;
  }

  .kept {
    max-width: 280px;
  }

  ol {
    display: grid;
    gap: var(--space-1);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: grid;
    grid-template-columns: 132px minmax(0, 380px) max-content;
    gap: var(--space-2);
    align-items: center;
  }

  .line {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
    align-items: center;
  }

  label {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  input:not([type='checkbox']) {
    min-width: 0;
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  input[type='checkbox'] {
    width: 24px;
    height: 24px;
  }

  .short {
    width: 8ch;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media (width <= 1000px) {
    li {
      grid-template-columns: 104px minmax(0, 1fr) auto;
    }
  }
</style>
