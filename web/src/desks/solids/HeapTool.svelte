<!-- A heap thought of: what goes in, what it lacks, when it is ready, and what comes out. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { degreesUnit, ecScale, example, fromScale } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import { fromFahrenheit } from '../../ui/degrees';
  import { draftOf, keepDraft } from '../../ui/drafts';
  import AdviceList from './AdviceList.svelte';
  import HeapDrawing from './HeapDrawing.svelte';

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

  function how() {
    working.show({ title: 'How the heap was worked out', steps: heap?.working ?? [] });
    working.open();
  }

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
    <section aria-label="What it comes to" aria-live="polite">
      <HeapDrawing layers={heap.layers} warmth={heap.warmth} />
      <div class="says">
        <h2>{heap.ready}</h2>
        <progress aria-label="How far it is" max="1" value={heap.progress}></progress>
        <p>C:N {heap.ratio || 'not known'} · {heap.moisture} water</p>
        {#if heap.add.length}
          <p class="care"><b>Mix in</b> {heap.add.join(', then ')}</p>
        {/if}
        <AdviceList said={heap.said} />
      </div>
      <div class="out">
        <h2>{heap.out}</h2>
        {#if heap.shares.length}
          <dl>
            {#each heap.shares as one (one.name)}
              <div>
                <dt>{one.name}</dt>
                <dd>{one.text}<span>{one.range_text}</span></dd>
              </div>
            {/each}
          </dl>
          <p>{heap.first_season}</p>
          <div class="line">
            <label>
              It reads, 1 in 5 <input
                class="short"
                bind:value={thought.reading}
                inputmode="decimal"
                placeholder={ecScale()}
              />
            </label>
            <Button look="quiet" onclick={how}>how?</Button>
          </div>
          <details>
            <summary>Is it ready?</summary>
            <p>{heap.ready_test}</p>
            <p>{heap.reads}</p>
          </details>
        {/if}
      </div>
    </section>
  {/if}
</div>

<style>
  .heap,
  form,
  .says,
  .out {
    display: grid;
    gap: var(--space-2);
    align-content: start;
  }

  section {
    display: grid;
    grid-template-columns: minmax(180px, 260px) minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-4);
    padding: var(--space-3) 0;
    border-top: 1px solid var(--color-line);
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

  h2 {
    font-size: var(--text-l);
  }

  .soft,
  dd span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .care b {
    color: var(--color-care);
  }

  progress {
    width: 100%;
    accent-color: var(--color-go);
  }

  dl {
    display: grid;
    margin: 0;
  }

  dl div {
    display: grid;
    grid-template-columns: 40px 1fr;
    border-bottom: 1px dashed var(--color-line);
  }

  dt {
    font: 650 var(--text-l) / 1.5 var(--face-head);
  }

  dd {
    display: flex;
    justify-content: space-between;
    margin: 0;
    font-weight: 600;
  }

  summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    cursor: pointer;
  }

  @media (width <= 1000px) {
    section {
      grid-template-columns: minmax(0, 1fr);
    }

    li {
      grid-template-columns: 104px minmax(0, 1fr) auto;
    }
  }
</style>
