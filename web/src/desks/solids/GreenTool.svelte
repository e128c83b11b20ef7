<!-- A green manure: what it holds when it is cut, and when the next crop gets it. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { degreesUnit, example } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import { fromFahrenheit } from '../../ui/degrees';
  import { draftOf, keepDraft } from '../../ui/drafts';

  import OnABed from './OnABed.svelte';

  const { offered }: { offered: Schemas['SolidsOut'] } = $props();
  interface Thought {
    key: string;
    area: string;
    stand: Schemas['GreenManureIn']['stand'];
    place: string;
    warm: string;
  }
  const BEGUN: Thought = {
    key: 'winter_vetch',
    area: example('4 m2', '40 sq ft'),
    stand: 'flower',
    place: 'in',
    warm: degreesUnit() === '°F' ? '54' : '12',
  };
  let thought = $state<Thought>(draftOf<Thought>('green') ?? BEGUN);
  const found = new Resource<Schemas['GivesOut']>();
  const gives = $derived(found.data);
  const [TALL, FOOT, APART] = [70, 80, 21];
  /** A bar for each week, as high as its part of all that comes. */
  const bars = $derived(
    (gives?.by_week_g ?? []).map((grams, week) => ({
      x: 4 + APART * week,
      tall: (TALL * grams) / Math.max(gives?.whole_g ?? 0, 0.001),
    })),
  );

  follow(
    () => JSON.stringify(thought),
    () => {
      keepDraft('green', thought);
      const { key, area, stand } = thought;
      const warm = Number(thought.warm.replace(',', '.'));
      const degrees = degreesUnit() === '°F' ? fromFahrenheit(warm) : warm;
      const temperature_c = thought.warm.trim() && Number.isFinite(degrees) ? degrees : 12;
      const body = { key, area, stand, dug_in: thought.place === 'in', temperature_c };
      found.soon((signal) => ask(client.POST('/api/solids/green-manure', { body, signal })));
    },
  );
</script>

<form onsubmit={(event) => event.preventDefault()}>
  <Choice
    label="What grows"
    labelled
    bind:value={thought.key}
    options={offered.green_manures.map((one) => ({ value: one.key, name: one.name }))}
  />
  <label>On <input bind:value={thought.area} autocomplete="off" /></label>
  <Choice
    label="Cut"
    labelled
    bind:value={thought.stand}
    options={[
      { value: 'short', name: 'young and short' },
      { value: 'flower', name: 'at its buds' },
    ]}
  />
  <Choice
    label="Then"
    labelled
    bind:value={thought.place}
    options={[
      { value: 'in', name: 'dug in' },
      { value: 'on', name: 'left on top' },
    ]}
  />
  <label>Soil, {degreesUnit()} <input bind:value={thought.warm} inputmode="decimal" /></label>
</form>
<Message problem={found.problem} again={found.again} />
{#if gives && !found.problem}
  <section aria-label="What it gives" aria-live="polite">
    <h2>{gives.wait}</h2>
    <ul>
      {#each gives.said as one (one)}<li>{one}</li>{/each}
    </ul>
    <figure>
      <figcaption>What the next crop has of it, week by week</figcaption>
      <svg viewBox="0 0 340 90" role="img" aria-label="{gives.by_week_g.length} weeks">
        {#each bars as bar (bar.x)}
          <rect x={bar.x} y={FOOT - bar.tall} width="15" height={bar.tall} />
        {/each}
        <path d="M0 80H340" />
      </svg>
    </figure>
    {#if gives.caution}<p class="care">{gives.caution}</p>{/if}
    {#if offered.beds.length && session.owner}
      <OnABed
        beds={offered.beds}
        title="Sow it"
        press="Sow it on a bed"
        send={(id, fill_id) =>
          ask(client.POST('/api/green', { body: { id, fill_id, key: thought.key } }))}
      />
    {/if}
  </section>
{/if}

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    align-items: end;
  }

  label {
    display: grid;
    gap: var(--space-1);
    font-weight: 550;
  }

  input {
    width: 12ch;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  section,
  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
  }

  h2 {
    font-size: var(--text-l);
  }

  li {
    font-size: var(--text-l);
  }

  figure {
    max-width: 420px;
    margin: 0;
  }

  figcaption,
  .care {
    color: var(--color-text-soft);
  }

  .care {
    max-width: 60ch;
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
  }

  rect {
    fill: var(--color-go);
  }

  path {
    stroke: var(--color-text);
  }
</style>
