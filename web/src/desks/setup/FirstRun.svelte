<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { goTo } from '../../app/keys.svelte';
  import { newId } from '../../ui/ids';
  import { jarForm } from './jarForms';
  import { placeForm, type Choices, type Setup } from './forms';
  import { plantingForm } from './plantingForm';
  import type { Form } from './questions';
  import type { SetupDesk } from './setup.svelte';
  import StepForm from './StepForm.svelte';
  import { vesselForm } from './supplyForms';
  import { waterForm } from './waterForms';
  import { whereForm } from './whereForm';

  interface Props {
    desk: SetupDesk;
    setup: Setup;
    choices: Choices;
    /** Leave the row of questions; what was written stays. */
    onleave: () => void;
  }
  const { desk, setup, choices, onleave }: Props = $props();

  const [place, fill, water, jar, vessel] = [newId(), newId(), newId(), newId(), newId()];
  const planting = { id: newId(), stand: newId() };
  const row: (() => Form)[] = [
    () => whereForm(setup),
    () => placeForm(choices, { place, fill }),
    () => plantingForm(choices, [{ value: fill, name: 'here' }], planting),
    () => waterForm(setup, water),
    () => jarForm(jar, choices.materials),
    () => vesselForm(setup, vessel),
  ];
  let at = $state(0);
  const forms = $derived(row.map((make) => make()));
  const form = $derived(forms[at]);
  const lengths = $derived(forms.map((one) => one.steps({}).length));
  const before = $derived(lengths.slice(0, at).reduce((sum, length) => sum + length, 0));
  const outOf = $derived(lengths.reduce((sum, length) => sum + length, 0));

  async function next() {
    if (at < row.length - 1) {
      at += 1;
      return;
    }
    const stop = garden.stops.find((one) => one.id === place);
    if (stop) garden.choose(stop);
    await goTo('/bench');
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
        {before}
        {outOf}
        submit={(answers) => desk.keep(form, answers)}
        ondone={next}
      />
    </div>
  {/key}
{/if}
<button type="button" onclick={onleave}>Leave the questions for now</button>

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
