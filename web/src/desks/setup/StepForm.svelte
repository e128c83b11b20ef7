<script lang="ts">
  import { untrack } from 'svelte';
  import type { Problem } from '../../api/client';
  import { steps as row } from '../../app/steps.svelte';
  import Button from '../../ui/Button.svelte';
  import { stepOf, unanswered, withDefaults, type Answers, type Questions } from './questions';
  import StepQuestion from './StepQuestion.svelte';

  interface Props {
    form: Questions;
    /** What stands already, when something is edited. */
    given?: Answers;
    /** What was typed into it before, over what stands. */
    typed?: Answers | undefined;
    /** Steps that came before this form in a longer row, and all of them. */
    before?: number;
    outOf?: number;
    /** All is answered: what is wrong with it, or null. */
    submit: (answers: Answers, over: boolean) => Promise<Problem | null>;
    ondone?: () => void;
    /** Another hand was first: leave what was typed and show what stands. */
    ontake?: () => void;
    /** Every answer so far, as it is given. */
    onanswer?: (answers: Answers) => void;
  }
  const {
    form,
    given = {},
    typed = {},
    before = 0,
    outOf = 0,
    submit,
    ondone,
    ontake,
    onanswer,
  }: Props = $props();
  const answers = $state<Answers>(untrack(() => ({ ...given, ...typed })));
  let problem = $state<Problem | null>(null);
  let busy = $state(false);
  let place: HTMLFormElement | undefined = $state();

  const steps = $derived(form.steps(answers));
  const at = $derived(Math.min(Math.max(0, row.at - before), steps.length - 1));
  const step = $derived(steps[at]);
  const last = $derived(at >= steps.length - 1);
  const restOptional = $derived(steps.slice(at + 1).every((one) => one.optional));
  const total = $derived(outOf || steps.length);

  const trouble = (key: string) => (problem?.field === key ? problem.message : '');
  const elsewhere = $derived(
    problem && !step?.questions.some((one) => one.key === problem?.field) ? problem.message : '',
  );

  const twoHands = $derived(problem?.field === 'edition');

  // A new step: the focus on its first question.
  $effect(() => {
    void at;
    place?.querySelector<HTMLElement>('input, select')?.focus();
  });

  $effect(() => {
    const now = $state.snapshot(answers);
    untrack(() => onanswer?.(now));
  });

  async function on(finish: boolean, over = false) {
    if (!step) return;
    const missing = unanswered(step, withDefaults([step], answers));
    if (missing) {
      const would_do = missing.hint ?? 'a few letters or a number would do';
      const message = `Read nothing; ${would_do.replace(/\.$/, '')}.`;
      problem = { field: missing.key, read: 'nothing', would_do, message };
      return;
    }
    problem = null;
    if (!finish) {
      row.go(before + at + 1);
      return;
    }
    busy = true;
    problem = await submit(withDefaults(steps, answers, given), over);
    busy = false;
    const asked = problem ? stepOf(steps, problem.field) : at;
    if (asked !== at) row.go(before + asked);
    if (!problem) ondone?.();
  }
</script>

<form
  bind:this={place}
  novalidate
  onsubmit={(event) => {
    event.preventDefault();
    void on(last);
  }}
>
  <p class="count">
    <progress value={before + at + 1} max={total} aria-label="How far"></progress>
    step {before + at + 1} of {total}
  </p>
  {#if step}
    <h3>{step.title}</h3>
    {#each step.questions as question (question.key)}
      <StepQuestion
        {question}
        bind:value={
          () => answers[question.key] ?? question.usual ?? '', (v) => (answers[question.key] = v)
        }
        optional={Boolean(question.optional || step.optional)}
        trouble={trouble(question.key)}
      />
    {/each}
  {/if}
  {#if elsewhere}<p class="trouble" role="alert">{elsewhere}</p>{/if}
  {#if twoHands}
    <div class="acts">
      {#if ontake}<Button onclick={ontake}>Take what stands</Button>{/if}
      <Button disabled={busy} onclick={() => on(true, true)}>Write mine all the same</Button>
    </div>
  {/if}
  <div class="acts">
    {#if before + at > 0}<Button onclick={() => history.back()}>Back</Button>{/if}
    {#if !last && restOptional}
      <Button disabled={busy} onclick={() => on(true)}>That is all I know</Button>
    {/if}
    <Button look="go" type="submit" disabled={busy}>{last ? 'Write it down' : 'Next'}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
  }

  .count {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  progress {
    width: 120px;
    accent-color: var(--color-go);
  }

  h3 {
    font-size: var(--text-l);
  }

  .trouble {
    color: var(--color-stop);
    font-size: var(--text-s);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    justify-content: flex-end;
    margin-top: var(--space-2);
  }
</style>
