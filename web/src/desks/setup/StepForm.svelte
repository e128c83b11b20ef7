<script lang="ts">
  import { untrack } from 'svelte';
  import type { Problem } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import { stepOf, unanswered, withDefaults, type Answers, type Questions } from './questions';
  import StepQuestion from './StepQuestion.svelte';

  interface Props {
    form: Questions;
    /** What stands already, when something is edited. */
    given?: Answers;
    /** Steps that came before this form in a longer row, and all of them. */
    before?: number;
    outOf?: number;
    /** All is answered: what is wrong with it, or null. */
    submit: (answers: Answers) => Promise<Problem | null>;
    ondone?: () => void;
  }
  const { form, given = {}, before = 0, outOf = 0, submit, ondone }: Props = $props();
  const answers = $state<Answers>(untrack(() => ({ ...given })));
  let at = $state(0);
  let problem = $state<Problem | null>(null);
  let busy = $state(false);
  let place: HTMLFormElement | undefined = $state();

  const steps = $derived(form.steps(answers));
  const step = $derived(steps[Math.min(at, steps.length - 1)]);
  const last = $derived(at >= steps.length - 1);
  const restOptional = $derived(steps.slice(at + 1).every((one) => one.optional));
  const total = $derived(outOf || steps.length);

  const trouble = (key: string) => (problem?.field === key ? problem.message : '');
  const elsewhere = $derived(
    problem && !step?.questions.some((one) => one.key === problem?.field) ? problem.message : '',
  );

  // A new step: the focus on its first question.
  $effect(() => {
    void at;
    place?.querySelector<HTMLElement>('input, select')?.focus();
  });

  async function on(finish: boolean) {
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
      at += 1;
      return;
    }
    busy = true;
    problem = await submit(withDefaults(steps, answers));
    busy = false;
    if (problem) at = stepOf(steps, problem.field);
    else ondone?.();
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
  <div class="acts">
    {#if at > 0}<Button onclick={() => (at -= 1)}>Back</Button>{/if}
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
