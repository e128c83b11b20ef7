<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { navigate } from '../../app/router';
  import { undo } from '../../app/undo.svelte';
  import { working } from '../../app/working.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import BrewChart from '../../charts/BrewChart.svelte';
  import Button from '../../ui/Button.svelte';
  import { newId } from '../../ui/ids';
  import StepForm from '../setup/StepForm.svelte';
  import type { Answers } from '../setup/questions';
  import AskedCaution from './AskedCaution.svelte';
  import BrewFigures from './BrewFigures.svelte';
  import RecipeList from './RecipeList.svelte';
  import { brewBody, brewForm, fromRecipe, type BrewBody } from './brewForm';

  let choices = $state<Schemas['BrewChoicesOut'] | null>(null);
  let problem = $state<Problem | null>(null);
  let given = $state<Answers | null>(null);
  let body = $state<BrewBody | null>(null);
  let figures = $state<Schemas['BrewFiguresOut'] | null>(null);
  let busy = $state(false);
  /** Cautions that only she can settle, ticked before it begins. */
  let seenTo = $state<string[]>([]);

  onMount(() => {
    working.clear();
    return () => working.clear();
  });

  $effect(() => {
    void garden.version;
    untrack(() => void load());
  });

  async function load() {
    const reply = await ask(client.GET('/api/brew-choices'));
    problem = reply.problem ?? null;
    choices = reply.data ?? null;
  }

  /** The last question is answered: work it out before anything is begun. */
  async function preview(answers: Answers): Promise<Problem | null> {
    const asked = brewBody(answers);
    if ('problem' in asked) return asked.problem;
    const reply = await ask(client.POST('/api/brews/preview', { body: asked.body }));
    if (reply.problem) return reply.problem;
    given = { ...answers };
    body = asked.body;
    figures = reply.data;
    seenTo = [];
    working.advice = reply.data.preparing.filter((one) => one.severity !== 'stop');
    return null;
  }

  async function begin() {
    if (!body) return;
    busy = true;
    const id = newId();
    const sent = { ...body, id, seen_to: seenTo };
    const reply = await ask(client.POST('/api/brews', { body: sent }));
    busy = false;
    problem = reply.problem ?? null;
    if (!reply.data) return;
    undo.offer(reply.data);
    await garden.changed();
    await navigate('/shelf/brew', { search: { brew: id } });
  }

  /** What she thought of, to begin from another time. */
  async function keepRecipe() {
    if (!body) return;
    busy = true;
    const { name, method, ingredients, liquid, acid_percent, handling } = body;
    const params = { path: { row_id: newId() } };
    const recipe = { name, method, ingredients, liquid, acid_percent, handling, note: '' };
    const reply = await ask(client.PUT('/api/recipes/{row_id}', { params, body: recipe }));
    busy = false;
    problem = reply.problem ?? null;
    if (!reply.data) return;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<section>
  <a class="back" href="/shelf{garden.search}">Back to the shelf</a>
  <h1>{figures ? `Before you begin: ${body?.name}` : 'Begin a brew'}</h1>
  {#if problem}<p class="trouble" role="alert">{problem.message}</p>{/if}
  {#if figures && body}
    {#if figures.gathering.length}
      <h2>Gathering</h2>
      {#each figures.gathering as one (one.key)}<AskedCaution {one} bind:seenTo />{/each}
    {/if}
    <h2>What to expect</h2>
    <BrewChart
      days={figures.days}
      ec={figures.ec}
      ready={figures.ready}
      summary="Expected conductivity by the day, as a band; {figures.ready_text}."
    />
    <BrewFigures {figures} when="When it is ready" />
    <h2>Preparing and keeping</h2>
    <p class="soft">{figures.method_note}</p>
    {#each figures.preparing.filter((one) => one.severity === 'stop') as one (one.key)}
      <AskedCaution {one} bind:seenTo />
    {/each}
    <div class="acts">
      <Button onclick={() => (figures = null)}>Back to the questions</Button>
      <Button disabled={busy} onclick={keepRecipe}>Keep it as a recipe</Button>
      <Button look="go" disabled={busy} onclick={begin}>Begin it now</Button>
    </div>
  {:else if choices}
    {#if !given}
      <h2>From a recipe</h2>
      <RecipeList
        recipes={choices.recipes}
        onchosen={(recipe) => (given = fromRecipe(recipe, choices))}
        onchanged={() => garden.changed()}
      />
      <Button onclick={() => (given = {})}>Something else</Button>
      <p class="soft">
        Only ever spread, never brewed: {choices.spread_only.join(', ').toLowerCase()}.
      </p>
    {:else}
      <StepForm form={{ ...brewForm(choices), save: preview }} {given} ondone={() => undefined} />
    {/if}
  {:else if !problem}
    <p class="soft">Fetching the recipes…</p>
  {/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
    align-content: start;
    max-width: 760px;
    padding: var(--space-2) 22px var(--space-8);
  }

  h1 {
    font-size: 1.5625rem;
  }

  h2 {
    font-size: var(--text-l);
  }

  .back {
    display: inline-flex;
    align-items: center;
    width: max-content;
    min-height: var(--touch);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .trouble {
    color: var(--color-stop);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    justify-content: flex-end;
  }
</style>
