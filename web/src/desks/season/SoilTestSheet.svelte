<script lang="ts">
  import { ask, client } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { draftOf, dropDrafts, keepDraft } from '../../ui/drafts';
  import { typedNumber } from '../../ui/numbers';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    fillId: string;
    place: string;
    open: boolean;
  }
  let { fillId, place, open = $bindable() }: Props = $props();
  const NUTRIENTS = ['N', 'P', 'K', 'Ca', 'Mg'] as const;
  let typed = $state<Record<string, string>>({});
  let unit = $state('mg/L');
  const write = new Write();
  const draft = $derived(`soil test ${fillId};`);

  $effect(() => {
    if (open) typed = draftOf<Record<string, string>>(draft) ?? {};
  });
  $effect(() => {
    if (open) keepDraft(draft, $state.snapshot(typed));
  });

  async function keep() {
    const values: Record<string, number> = {};
    for (const nutrient of NUTRIENTS) {
      const text = typed[nutrient] ?? '';
      const value = typedNumber(text);
      if (value === undefined) return write.refuse(nutrient, text, 'a number would do');
      if (value !== null) values[nutrient] = value;
    }
    const params = { path: { fill_id: fillId } };
    const body = { id: write.id(), unit, values };
    const sent = () => ask(client.POST('/api/fills/{fill_id}/tests', { params, body }));
    if (!(await write.send(sent))) return;
    open = false;
    dropDrafts(draft);
  }
</script>

<SheetForm
  title="A test of {place}"
  bind:open
  {write}
  fields={[...NUTRIENTS]}
  submit="Keep the test"
  {keep}
>
  <p>What a kit or a laboratory found available. Leave out what was not tested.</p>
  <Choice
    label="In"
    labelled
    bind:value={unit}
    options={[
      { value: 'mg/L', name: 'mg in a litre of soil or mix' },
      { value: 'mg/kg', name: 'mg in a kilogram of dry soil' },
    ]}
  />
  <div class="five">
    {#each NUTRIENTS as nutrient (nutrient)}
      <Field
        label={nutrient}
        inputmode="decimal"
        bind:value={() => typed[nutrient] ?? '', (text) => (typed[nutrient] = text)}
        trouble={write.trouble(nutrient)}
      />
    {/each}
  </div>
</SheetForm>

<style>
  .five {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
    gap: var(--space-3);
  }
</style>
