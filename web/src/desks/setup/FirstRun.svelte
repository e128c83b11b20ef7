<script lang="ts">
  import { newId } from '../../ui/ids';
  import { garden } from '../../app/garden.svelte';
  import { goTo } from '../../app/keys.svelte';
  import { jarForm } from './jarForms';
  import { placeForm, plantingForm, type Choices, type Setup } from './forms';
  import { whereForm } from './whereForm';
  import type { Form } from './questions';
  import StepForm from './StepForm.svelte';
  import { vesselForm } from './supplyForms';
  import { waterForm } from './waterForms';

  interface Props {
    setup: Setup;
    choices: Choices;
    /** Something was written: read again what stands. */
    onwritten: () => Promise<void>;
    /** Leave the row of questions; what was written stays. */
    onleave: () => void;
  }
  let { setup, choices, onwritten, onleave }: Props = $props();

  const place = newId();
  const fill = newId();
  const row: (() => Form)[] = [
    () => whereForm(setup),
    () => placeForm(choices, { place, fill }),
    () => plantingForm(choices, [{ value: fill, name: 'here' }]),
    () => waterForm(setup, newId()),
    () => jarForm(newId()),
    () => vesselForm(setup, newId()),
  ];
  let at = $state(0);
  const forms = $derived(row.map((make) => make()));
  const form = $derived(forms[at]);
  const lengths = $derived(forms.map((one) => one.steps({}).length));
  const before = $derived(lengths.slice(0, at).reduce((sum, length) => sum + length, 0));
  const outOf = $derived(lengths.reduce((sum, length) => sum + length, 0));

  async function next() {
    await Promise.all([onwritten(), garden.changed()]);
    if (at < row.length - 1) {
      at += 1;
      return;
    }
    const stop = garden.stops.find((one) => one.id === place);
    if (stop) garden.choose(stop);
    await goTo('/bench');
  }
</script>

<section>
  <h1>{setup.garden.name}, from the beginning</h1>
  <p>
    A few questions, three at a time. Every answer can be changed later; where you do not know, take
    what stands there.
  </p>
  {#if form}
    {#key at}
      <div class="card"><StepForm {form} {before} {outOf} ondone={next} /></div>
    {/key}
  {/if}
  <button type="button" onclick={onleave}>Leave the questions for now</button>
</section>

<style>
  section {
    display: grid;
    gap: var(--space-3);
    max-width: 560px;
    padding: var(--space-4) 22px var(--space-8);
  }

  h1 {
    font-size: 1.5625rem;
  }

  .card {
    padding: var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  section > button {
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
