<!-- One file sent as it is: what it does is said beside it, and what came of it after. -->
<script lang="ts">
  import type { Problem, Reply } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import Message from '../../ui/Message.svelte';

  interface Props {
    label: string;
    accept: string;
    send: (file: File) => Promise<Reply<string>>;
  }
  const { label, accept, send }: Props = $props();
  let busy = $state(false);
  let problem = $state<Problem | null>(null);
  let told = $state('');

  async function take(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (!file) return;
    [busy, told, problem] = [true, '', null];
    const reply = await send(file);
    busy = false;
    problem = reply.problem ?? null;
    told = reply.data ?? '';
    input.value = '';
    if (told) await garden.changed();
  }
</script>

<label>
  <span>{label}</span>
  <input
    type="file"
    {accept}
    disabled={busy}
    onchange={(event) => void take(event.currentTarget)}
  />
</label>
{#if busy}<progress aria-label={label}></progress>{/if}
{#if told}<p role="status">{told}</p>{/if}
<Message {problem} />

<style>
  label {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-1);
    font-weight: 550;
  }

  input {
    min-height: var(--touch);
    font: inherit;
  }
</style>
