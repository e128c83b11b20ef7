<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { searchParams } from 'sv-router';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { undo } from '../../app/undo.svelte';
  import { working } from '../../app/working.svelte';
  import { ask, client, type Problem, type Reply, type Schemas } from '../../api/client';
  import BrewChart from '../../charts/BrewChart.svelte';
  import JarDrawing from '../../drawings/JarDrawing.svelte';
  import Button from '../../ui/Button.svelte';
  import { newId } from '../../ui/ids';
  import { dayInWords } from '../../ui/time';
  import BrewFigures from './BrewFigures.svelte';
  import BrewHistory from './BrewHistory.svelte';
  import BrewSheets from './BrewSheets.svelte';
  import BrewSteps from './BrewSteps.svelte';

  const id = $derived(String(searchParams.get('brew') ?? ''));
  const zone = $derived(garden.path?.zone ?? 'UTC');
  let brew = $state<Schemas['BrewOut'] | null>(null);
  let problem = $state<Problem | null>(null);
  let sheet = $state('');
  const due = $derived(brew?.steps.find((step) => step.due && step.kind !== 'strain'));
  const DONE: Record<string, string> = { stir: 'Stirred', vent: 'Let the gas out' };
  const params = $derived({ path: { brew_id: id } });

  onMount(() => {
    working.clear();
    return () => working.clear();
  });

  $effect(() => {
    const wanted = id;
    void garden.version;
    if (wanted) untrack(() => void load(wanted));
  });

  $effect(() => {
    if (!brew) return;
    working.advice = [...brew.figures.gathering, ...brew.figures.preparing];
    working.show({ title: 'How the potassium was got', steps: brew.figures.working });
  });

  $effect(() => keys.standAt(brew?.state === 'brewing' ? brew.subject_id : ''));

  async function load(wanted: string) {
    const reply = await ask(
      client.GET('/api/brews/{brew_id}', { params: { path: { brew_id: wanted } } }),
    );
    problem = reply.problem ?? null;
    if (reply.data) brew = reply.data;
  }

  async function done(reply: Reply<Schemas['WrittenOut']>) {
    problem = reply.problem ?? null;
    if (!reply.data) return;
    undo.offer(reply.data);
    await garden.changed();
  }

  async function step(kind: string) {
    const body = { id: newId(), kind };
    await done(await ask(client.POST('/api/brews/{brew_id}/steps', { params, body })));
  }

  const dots = $derived(
    (brew?.readings ?? []).map((one) => ({
      day: one.day,
      ec: one.ec_ms_cm,
      hollow: one.conflict !== '',
      title: `${one.shown} on day ${Math.floor(one.day)}${one.conflict ? `. ${one.conflict}` : ''}`,
    })),
  );
</script>

<section aria-busy={!brew}>
  <a class="back" href="/shelf{garden.search}">Back to the shelf</a>
  {#if problem}<p class="trouble" role="alert">{problem.message}</p>{/if}
  {#if brew}
    <header>
      <div>
        <h1>{brew.name}</h1>
        <p class="soft">
          {brew.went_in.join(' · ')} · begun {dayInWords(brew.started_at, zone)}
        </p>
      </div>
      {#if brew.state === 'brewing'}
        <Button onclick={() => keys.read()}>Read it</Button>
      {/if}
    </header>
    <BrewSteps steps={brew.steps} {zone} />
    <div class="split">
      <BrewChart
        days={brew.figures.days}
        ec={brew.figures.ec}
        ready={brew.figures.ready}
        today={brew.day}
        {dots}
        summary="Conductivity of {brew.name} by the day, as a band; {brew.figures.ready_text}."
      />
      <div class="vessel">
        <p class="soft">
          {brew.state === 'brewing'
            ? 'lid resting, never tight'
            : `strained on day ${Math.floor(brew.day)}`}
        </p>
        <JarDrawing
          share={brew.state === 'brewing' ? 0.8 : 0.1}
          kind="vessel"
          working={brew.state === 'brewing'}
        />
      </div>
    </div>
    {#each brew.readings.filter((one) => one.conflict) as one (one.id)}
      <p class="doubt">Doubted: {one.shown}. {one.conflict}</p>
    {/each}
    <BrewFigures figures={brew.figures} when="Day {Math.floor(brew.day)}" />
    <div class="acts">
      {#if brew.state === 'brewing'}
        {#if due}
          <Button look="go" onclick={() => due && step(due.kind)}>{DONE[due.kind] ?? 'Done'}</Button
          >
        {/if}
        <Button look={due ? 'plain' : 'go'} onclick={() => (sheet = 'strain')}
          >Strain and bottle</Button
        >
        <Button onclick={() => (sheet = 'add')}>Add something</Button>
        <Button onclick={() => (sheet = 'throw')}>Throw it out</Button>
      {:else if brew.state === 'strained'}
        <Button onclick={() => (sheet = 'second')}>A second run</Button>
      {/if}
      <Button onclick={() => (sheet = 'claim')}>Check a claim</Button>
    </div>
    <BrewHistory {brew} {zone} />
    <BrewSheets {brew} bind:sheet />
  {:else if !problem}
    <p class="soft">Working out the brew…</p>
    <progress aria-label="Working out the brew"></progress>
  {/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
    align-content: start;
    padding: var(--space-2) 22px var(--space-8);
  }

  header {
    display: flex;
    gap: var(--space-3);
    align-items: flex-start;
    justify-content: space-between;
  }

  header :global(button) {
    white-space: nowrap;
  }

  h1 {
    font-size: 1.5625rem;
  }

  .back {
    display: inline-flex;
    align-items: center;
    width: max-content;
    min-height: var(--touch);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .trouble,
  .doubt {
    color: var(--color-stop);
  }

  .split {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 120px;
    gap: var(--space-3);
    align-items: end;
  }

  .vessel {
    text-align: center;
  }

  .vessel :global(svg) {
    width: 110px;
    height: 140px;
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  @media (width <= 700px) {
    section {
      padding-inline: var(--space-4);
    }

    .split {
      grid-template-columns: minmax(0, 1fr);
    }

    .vessel {
      display: none;
    }
  }
</style>
