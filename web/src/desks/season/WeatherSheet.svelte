<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import { newId } from '../../ui/ids';
  import Sheet from '../../ui/Sheet.svelte';
  import { season } from './season.svelte';

  interface Props {
    open: boolean;
  }
  let { open = $bindable() }: Props = $props();
  const id = $props.id();
  let text = $state('');
  let problem = $state<Problem | null>(null);
  let busy = $state(false);

  async function read(event: Event & { currentTarget: HTMLInputElement }) {
    const file = event.currentTarget.files?.[0];
    if (file) text = await file.text();
  }

  async function keep() {
    busy = true;
    const reply = await ask(client.POST('/api/weather', { body: { id: newId(), text } }));
    busy = false;
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    text = '';
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<Sheet title="Your own weather" bind:open>
  <div class="form">
    <p>
      Dace uses a weather service's days for this garden. Days that you read yourself count before
      them. {season.data?.own_days ? `${season.data.own_days} days are your own now.` : ''}
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
    {#if busy}<progress aria-label="Reading the days"></progress>{/if}
    <Button look="go" disabled={!text.trim() || busy} onclick={keep}>Keep these days</Button>
  </div>
</Sheet>

<style>
  .form {
    display: grid;
    gap: var(--space-2);
  }

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
