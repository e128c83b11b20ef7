<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { goTo } from '../../app/keys.svelte';
  import { steps } from '../../app/steps.svelte';
  import { FirstQuestions } from './firstRun.svelte';
  import type { Choices, Setup } from './forms';
  import type { SetupDesk } from './setup.svelte';
  import StepForm from './StepForm.svelte';

  interface Props {
    desk: SetupDesk;
    setup: Setup;
    choices: Choices;
    /** Leave the row of questions; what was written stays. */
    onleave: () => void;
  }
  const { desk, setup, choices, onleave }: Props = $props();

  const first = untrack(() => new FirstQuestions(desk, setup, choices));
  const at = $derived(first.formAt(steps.at));
  const form = $derived(first.forms[at]);
  const before = $derived(first.before(at));
  const outOf = $derived(first.before(first.forms.length));

  async function next() {
    if (at < first.forms.length - 1) {
      steps.go(first.before(at + 1));
      return;
    }
    first.leave();
    const stop = garden.stops.find((one) => one.id === first.place);
    if (stop) garden.choose(stop);
    await goTo('/bench');
  }

  function leave() {
    first.leave();
    steps.leave();
    onleave();
  }
</script>

<p>
  A few questions, three at a time. Every answer can be changed later; where you do not know, take
  what stands there.
</p>
{#if form}
  {#key at}
    <div class="card">
      <StepForm
        {form}
        given={first.answers(at)}
        {before}
        {outOf}
        submit={(answers) => first.submit(desk, at, answers)}
        onanswer={(answers) => first.answer(at, answers)}
        ondone={next}
      />
    </div>
  {/key}
{/if}
<a href="/exchange">A garden from another Dace, or a notebook, comes in here</a>
<button type="button" onclick={leave}>Leave the questions for now</button>

<style>
  p,
  .card {
    max-width: 560px;
  }

  .card {
    padding: var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  a,
  button {
    justify-self: start;
    min-height: var(--touch);
    padding: 0;
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }
</style>
