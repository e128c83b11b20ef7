<!-- Figures of each pot, by its number alone: whose side it is stays covered. -->
<script lang="ts">
  import { ask, client } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { draftOf, dropDrafts, keepDraft } from '../../ui/drafts';
  import { typedNumber } from '../../ui/numbers';
  import SheetForm from '../../ui/SheetForm.svelte';
  import type { Trial } from './trials.svelte';

  interface Props {
    trial: Trial;
    open: boolean;
  }
  let { trial, open = $bindable() }: Props = $props();
  const write = new Write();
  let typed = $state<Record<number, string>>({});
  let key = $state('');
  let blind = $state(false);
  const draft = $derived(`measured ${trial.id};`);
  const all = $derived([trial.measure, ...trial.also]);
  const measure = $derived(all.find((one) => one.key === key) ?? trial.measure);
  const pots = $derived(trial.pots.filter((pot) => !pot.left_out));

  $effect(() => {
    if (!open) return;
    typed = draftOf<Record<number, string>>(draft) ?? {};
    blind = false;
  });
  // a dozen pots are weighed one by one: neither Escape nor a reload loses a figure
  $effect(() => {
    if (open) keepDraft(draft, $state.snapshot(typed));
  });

  async function keep() {
    const values: Record<number, number> = {};
    for (const pot of pots) {
      const text = typed[pot.number] ?? '';
      const value = typedNumber(text);
      if (value === undefined) return write.refuse(`pot ${pot.number}`, text, 'a number would do');
      if (value !== null) values[pot.number] = value;
    }
    const params = { path: { trial_id: trial.id } };
    const body = { id: write.id(), values, measure: measure.key, on: null, blind };
    const sent = () => ask(client.POST('/api/trials/{trial_id}/measured', { params, body }));
    if (!(await write.send(sent))) return;
    open = false;
    dropDrafts(draft);
  }
</script>

<SheetForm
  title="Measure each pot"
  bind:open
  {write}
  fields={pots.map((pot) => `pot ${pot.number}`)}
  {keep}
>
  <Choice
    label="What"
    labelled
    bind:value={() => measure.key, (chosen) => (key = chosen)}
    options={all.map((one, at) => ({
      value: one.key,
      name: `${one.name}${at === 0 ? ': this one counts' : ''}`,
    }))}
  />
  <p>
    {measure.scored
      ? 'From 0 to 5, half points too.'
      : measure.unit
        ? `In ${measure.unit}.`
        : 'How many.'}
    Leave out what you did not measure; nothing picked is 0.
  </p>
  <div class="pots">
    {#each pots as pot (pot.number)}
      <Field
        label="Pot {pot.number}"
        inputmode="decimal"
        bind:value={() => typed[pot.number] ?? '', (text) => (typed[pot.number] = text)}
        trouble={write.trouble(`pot ${pot.number}`)}
      />
    {/each}
  </div>
  <label class="tick">
    <input type="checkbox" bind:checked={blind} /> By somebody who did not know which are fed
  </label>
</SheetForm>

<style>
  .pots {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(96px, 1fr));
    gap: var(--space-2);
  }

  .tick {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  .tick input {
    width: 22px;
    height: 22px;
    flex: none;
  }
</style>
