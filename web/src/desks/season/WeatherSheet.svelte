<script lang="ts">
  import { ask, client } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { weather } from '../../app/weather.svelte';
  import { season } from './season.svelte';

  interface Props {
    open: boolean;
  }
  let { open = $bindable() }: Props = $props();
  const id = $props.id();
  const own = $derived(season.strips.data?.own_days ?? 0);
  let text = $state('');
  const write = new Write();
  // all that can be wrong is said below the days
  const FIELDS = $derived(write.problem ? [write.problem.field] : []);
  const problem = $derived(write.problem);

  async function read(event: Event & { currentTarget: HTMLInputElement }) {
    const file = event.currentTarget.files?.[0];
    if (file) text = await file.text();
  }

  async function keep() {
    const body = { id: write.id(), text };
    if (!(await write.send(() => ask(client.POST('/api/weather', { body }))))) return;
    open = false;
    text = '';
  }
</script>

<SheetForm
  title="Your own weather"
  bind:open
  {write}
  fields={FIELDS}
  submit="Keep these days"
  {keep}
>
  <p>
    {weather.data?.source === 'usual'
      ? 'Dace goes by what is usual in your climate. Days that you read yourself count before that.'
      : "Dace uses a weather service's days for this garden. Days that you read yourself count before them."}
    {own ? `${own} days are your own now.` : ''}
  </p>
  <label for="{id}-file">A file of days (CSV)</label>
  <input id="{id}-file" type="file" accept=".csv,.txt,text/csv,text/plain" onchange={read} />
  <label for="{id}-text">Or write them: date, low, high, rain in mm</label>
  <textarea
    id="{id}-text"
    rows="6"
    bind:value={text}
    aria-invalid={problem ? 'true' : undefined}
    aria-describedby={problem ? `${id}-said` : undefined}
    placeholder="2026-07-13, 11.5, 22.0, 0.4"></textarea>
  {#if problem}<p class="trouble" role="alert" id="{id}-said">{problem.message}</p>{/if}
  {#if write.busy}<progress aria-label="Reading the days"></progress>{/if}
</SheetForm>

<style>
  label {
    margin-top: var(--space-2);
    font-weight: 550;
  }

  textarea,
  input {
    min-height: var(--touch);
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
    color: inherit;
    font: inherit;
  }

  .trouble {
    color: var(--color-stop);
    font-size: var(--text-s);
  }
</style>
