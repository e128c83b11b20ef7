<script lang="ts">
  import { searchParams } from 'sv-router';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import { Write } from '../../app/write.svelte';
  import BrewChart from '../../charts/BrewChart.svelte';
  import JarDrawing from '../../drawings/JarDrawing.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import { dayInWords } from '../../ui/time';
  import BrewFigures from './BrewFigures.svelte';
  import BrewHistory from './BrewHistory.svelte';
  import BrewSheets from './BrewSheets.svelte';
  import BrewSteps from './BrewSteps.svelte';

  const id = $derived(String(searchParams.get('brew') ?? ''));
  const zone = $derived(garden.path?.zone ?? 'UTC');
  const read = new Resource<Schemas['BrewOut']>();
  const write = new Write();
  const brew = $derived(read.data);
  let sheet = $state('');
  const due = $derived(brew?.steps.find((step) => step.due && step.kind !== 'strain'));
  const DONE: Record<string, string> = {
    stir: 'Stirred',
    vent: 'Let the gas out',
    throw: 'Throw it out',
  };

  follow(
    () => [id, garden.version] as const,
    ([brew_id]) => {
      if (brew?.id !== brew_id) read.clear();
      const params = { path: { brew_id } };
      if (brew_id)
        void read.load((signal) => ask(client.GET('/api/brews/{brew_id}', { params, signal })));
    },
  );

  $effect(() => {
    if (!brew) return;
    const gathered = brew.figures.gathering.map((one) => ({ ...one, open: false }));
    working.advice = [...brew.figures.preparing, ...gathered];
    working.show({ title: 'How the potassium was got', steps: brew.figures.working });
  });

  $effect(() => keys.standAt(brew?.state === 'brewing' ? brew.subject_id : ''));

  /** What is due: done at once, or in a sheet where something is asked. */
  function act(kind: string) {
    if (kind === 'strain' || kind === 'throw') sheet = kind;
    else void step(kind);
  }

  function step(kind: string) {
    const params = { path: { brew_id: id } };
    const body = { id: write.id(), kind };
    return write.send(() => ask(client.POST('/api/brews/{brew_id}/steps', { params, body })));
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

<Page
  charts
  title={brew?.name ?? 'A brew'}
  sub={brew ? `${brew.went_in.join(' · ')} · begun ${dayInWords(brew.started_at, zone)}` : ''}
  of={read}
  waiting="Working out the brew…"
  open
>
  {#snippet acts()}
    <a class="back" href="/shelf{garden.search}">Back to the shelf</a>
    {#if brew?.state === 'brewing'}<Button writes onclick={() => keys.read()}>Read it</Button>{/if}
  {/snippet}
  {#if brew}
    <Message problem={write.problem} />
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
          leafy={brew.leafy}
          ripe={brew.ripe}
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
          <Button writes look="go" disabled={write.busy} onclick={() => due && act(due.kind)}>
            {DONE[due.kind] ?? 'Done'}
          </Button>
        {/if}
        <Button writes look={due ? 'plain' : 'go'} onclick={() => (sheet = 'strain')}
          >Strain and bottle</Button
        >
        <Button writes onclick={() => (sheet = 'add')}>Add something</Button>
        <Button writes onclick={() => (sheet = 'throw')}>Throw it out</Button>
      {:else if brew.state === 'strained'}
        <Button writes onclick={() => (sheet = 'second')}>A second run</Button>
      {/if}
      <Button onclick={() => (sheet = 'claim')}>Check a claim</Button>
    </div>
    <BrewHistory {brew} {zone} />
    <BrewSheets {brew} bind:sheet />
  {/if}
</Page>

<style>
  .back {
    display: inline-flex;
    align-items: center;
    width: max-content;
    min-height: var(--touch);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .doubt {
    color: var(--color-stop);
  }

  .split {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 120px;
    gap: var(--space-3);
    align-items: end;
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
    .split {
      grid-template-columns: minmax(0, 1fr);
    }

    .vessel {
      display: none;
    }
  }
</style>
