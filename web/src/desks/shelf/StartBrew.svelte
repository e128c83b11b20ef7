<script lang="ts">
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import { steps } from '../../app/steps.svelte';
  import { navigate } from '../../app/way';
  import { working } from '../../app/working.svelte';
  import { Write } from '../../app/write.svelte';
  import BrewChart from '../../charts/BrewChart.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import { draftOf, dropDrafts, keepDraft } from '../../ui/drafts';
  import StepForm from '../setup/StepForm.svelte';
  import type { Answers } from '../setup/questions';
  import AskedCaution from './AskedCaution.svelte';
  import BrewFigures from './BrewFigures.svelte';
  import RecipeList from './RecipeList.svelte';
  import { brewBody, brewForm, fromRecipe, type BrewBody } from './brewForm';

  const read = new Resource<Schemas['BrewChoicesOut']>();
  const write = new Write();
  const choices = $derived(read.data);
  let given = $state<Answers>(draftOf('brew') ?? {});
  let body = $state<BrewBody | null>(null);
  let worked = $state<Schemas['BrewFiguresOut'] | null>(null);
  /** The step at which what was worked out is shown: one back from it are the questions. */
  let shownAt = $state(0);
  const figures = $derived(steps.at >= shownAt ? worked : null);
  /** Cautions that only she can settle, ticked before it begins. */
  let seenTo = $state<string[]>([]);

  follow(
    () => garden.version,
    () => void read.load((signal) => ask(client.GET('/api/brew-choices', { signal }))),
  );

  function start(answers: Answers) {
    given = answers;
    steps.go(0);
  }

  /** The last question is answered: work it out before anything is begun. */
  async function preview(answers: Answers): Promise<Problem | null> {
    const asked = brewBody(answers, read.data);
    if ('problem' in asked) return asked.problem;
    const reply = await ask(client.POST('/api/brews/preview', { body: asked.body }));
    if (reply.problem) return reply.problem;
    given = { ...answers };
    body = asked.body;
    worked = reply.data;
    shownAt = steps.at + 1;
    steps.go(shownAt);
    seenTo = [];
    write.begin();
    working.advice = reply.data.preparing.filter((one) => one.severity !== 'stop');
    return null;
  }

  async function begin() {
    if (!body) return;
    const sent = { ...body, id: write.id('brew'), seen_to: seenTo };
    const begun = await write.send(() => ask(client.POST('/api/brews', { body: sent })));
    if (begun) dropDrafts('brew');
    if (begun) await navigate('/shelf/brew', { brew: begun.id });
  }

  /** What she thought of, to begin from another time. */
  function keepRecipe() {
    if (!body) return;
    const { name, method, ingredients, liquid, acid_percent, handling } = body;
    const params = { path: { row_id: write.id('recipe') } };
    const recipe = { name, method, ingredients, liquid, acid_percent, handling, note: '' };
    return write.send(() => ask(client.PUT('/api/recipes/{row_id}', { params, body: recipe })));
  }
</script>

<Page
  title={figures ? `Before you begin: ${body?.name}` : 'Begin a brew'}
  charts={figures !== null}
  of={read}
  waiting="Fetching the recipes…"
  open
>
  {#snippet acts()}<a class="back" href="/shelf{garden.search}">Back to the shelf</a>{/snippet}
  <Message problem={write.problem} />
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
      <Button onclick={() => history.back()}>Back to the questions</Button>
      {#if session.owner}
        <Button disabled={write.busy} onclick={keepRecipe}>Keep it as a recipe</Button>
      {/if}
      <Button writes look="go" disabled={write.busy} onclick={begin}>Begin it now</Button>
    </div>
  {:else if choices}
    {#if !steps.open}
      <h2>From a recipe</h2>
      <RecipeList
        recipes={choices.recipes}
        onchosen={(recipe) => start(fromRecipe(recipe, choices))}
      />
      <Button onclick={() => start({})}>Something else</Button>
      <p class="soft">
        Only ever spread, never brewed: {choices.spread_only.join(', ').toLowerCase()}.
      </p>
    {:else}
      <StepForm
        form={brewForm(choices)}
        {given}
        submit={preview}
        onanswer={(answers) => keepDraft('brew', answers)}
      />
    {/if}
  {/if}
</Page>

<style>
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

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    justify-content: flex-end;
  }
</style>
