<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { newId } from '../../ui/ids';
  import Sheet from '../../ui/Sheet.svelte';

  interface Props {
    fillId: string;
    place: string;
    open: boolean;
  }
  let { fillId, place, open = $bindable() }: Props = $props();
  const NUTRIENTS = ['N', 'P', 'K', 'Ca', 'Mg'] as const;
  let typed = $state<Record<string, string>>({ N: '', P: '', K: '', Ca: '', Mg: '' });
  let unit = $state('mg/L');
  let problem = $state<Problem | null>(null);

  async function keep() {
    const values: Record<string, number> = {};
    for (const nutrient of NUTRIENTS) {
      const text = (typed[nutrient] ?? '').trim().replace(',', '.');
      if (!text) continue;
      const value = Number(text);
      if (Number.isNaN(value)) {
        const message = `Read “${text}”; a number would do.`;
        problem = { field: nutrient, read: text, would_do: '', message };
        return;
      }
      values[nutrient] = value;
    }
    const reply = await ask(
      client.POST('/api/fills/{fill_id}/tests', {
        params: { path: { fill_id: fillId } },
        body: { id: newId(), unit, values },
      }),
    );
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<Sheet title="A test of {place}" bind:open>
  <div class="form">
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
          trouble={problem?.field === nutrient ? problem.message : ''}
        />
      {/each}
    </div>
    {#if problem && !NUTRIENTS.some((one) => one === problem?.field)}
      <p class="trouble" role="alert">{problem.message}</p>
    {/if}
    <Button look="go" onclick={keep}>Keep the test</Button>
  </div>
</Sheet>

<style>
  .form {
    display: grid;
    gap: var(--space-3);
  }

  .five {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
    gap: var(--space-3);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
