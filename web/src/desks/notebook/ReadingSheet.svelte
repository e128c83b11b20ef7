<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import { subjectsToRead, type Readable } from './subjects';

  interface Props {
    open: boolean;
  }
  let { open = $bindable() }: Props = $props();
  let subjects = $state<Readable[]>([]);
  let chosen = $state('');
  let value = $state('');
  let scale = $state('mS/cm');
  let temperature = $state('');
  let compensates = $state('yes');
  let problem = $state<Problem | null>(null);
  let busy = $state(false);

  const SCALES = [
    { value: 'mS/cm', name: 'mS/cm' },
    { value: 'uS/cm', name: 'µS/cm' },
    { value: 'ppm500', name: 'ppm, 500 scale' },
    { value: 'ppm700', name: 'ppm, 700 scale' },
  ];
  const CORRECTS = [
    { value: 'yes', name: 'The pen corrects to 25 °C' },
    { value: 'no', name: 'It does not: I give the temperature' },
  ];

  $effect(() => {
    if (open) void load();
  });

  async function load() {
    problem = null;
    const query = { stop: garden.stop?.id ?? null, limit: 20 };
    const reply = await ask(client.GET('/api/notebook', { params: { query } }));
    problem = reply.problem ?? null;
    subjects = subjectsToRead(reply.data?.doses ?? [], garden.stop);
    chosen = subjects[0]?.id ?? '';
  }

  const number = (typed: string) => (typed.trim() === '' ? NaN : Number(typed.replace(',', '.')));
  const trouble = (field: string) => (problem?.field === field ? problem.message : '');
  const elsewhere = $derived(
    problem && !['value', 'temperature_c'].includes(problem.field) ? problem.message : '',
  );

  function notANumber(field: string, typed: string, would_do: string): Problem {
    const read = typed.trim() ? `“${typed}”` : 'nothing';
    return { field, read, would_do, message: `Read ${read}; ${would_do}.` };
  }

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    const subject = subjects.find((one) => one.id === chosen);
    if (!subject) return;
    if (Number.isNaN(number(value))) {
      problem = notANumber('value', value, 'a number such as 1.12 would do');
      return;
    }
    if (compensates === 'no' && Number.isNaN(number(temperature))) {
      problem = notANumber('temperature_c', temperature, 'degrees such as 18 would do');
      return;
    }
    busy = true;
    const reply = await ask(
      client.POST('/api/readings', {
        body: {
          id: crypto.randomUUID(),
          subject_id: subject.id,
          value: number(value),
          scale,
          method: subject.method,
          compensates: compensates === 'yes',
          temperature_c: compensates === 'no' ? number(temperature) : null,
        },
      }),
    );
    busy = false;
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    value = '';
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<Sheet title="What does the pen say?" bind:open>
  {#if subjects.length === 0 && !problem}
    <p>There is nothing to read yet: pour a can first, or choose a stop whose drain you read.</p>
  {:else}
    <form onsubmit={keep} novalidate>
      <Choice
        label="The pen is in"
        labelled
        bind:value={chosen}
        options={subjects.map((one) => ({ value: one.id, name: one.name }))}
      />
      <div class="pair">
        <Field
          label="It shows"
          inputmode="decimal"
          autocomplete="off"
          bind:value
          trouble={trouble('value')}
        />
        <Choice label="Scale" labelled bind:value={scale} options={SCALES} />
      </div>
      <Choice label="Temperature" labelled bind:value={compensates} options={CORRECTS} />
      {#if compensates === 'no'}
        <Field
          label="The liquid has, °C"
          inputmode="decimal"
          autocomplete="off"
          bind:value={temperature}
          trouble={trouble('temperature_c')}
        />
      {/if}
      {#if elsewhere}<p class="trouble" role="alert">{elsewhere}</p>{/if}
      <Button look="go" type="submit" disabled={busy}>Write it down</Button>
    </form>
  {/if}
</Sheet>

<style>
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-3);
  }

  .pair {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-3);
    align-items: start;
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
