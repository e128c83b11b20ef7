<script lang="ts">
  import { ask, client, type Schemas } from '../api/client';
  import { newId } from '../ui/ids';
  import Note from '../ui/Note.svelte';
  import { dateInWords } from '../ui/time';
  import { garden } from './garden.svelte';
  import { undo } from './undo.svelte';

  type Advice = Schemas['AdviceOut'];
  interface Props {
    advice: Advice[];
  }
  const { advice }: Props = $props();
  const open = $derived(advice.filter((one) => !one.seen_on));
  const settled = $derived(advice.filter((one) => one.seen_on));
  const severity = (one: Advice) => one.severity;
  let trouble = $state('');

  async function seeTo(one: Advice) {
    if (!one.about) return;
    const body = { id: newId(), caution: one.key, about: one.about };
    const reply = await ask(client.POST('/api/cautions/seen', { body }));
    trouble = reply.problem?.message ?? '';
    if (!reply.data) return;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<!-- Cautions: what only the gardener can settle is asked once, and then stands folded. -->
{#each open as one (one.key)}
  <Note severity={severity(one)} title={one.title}>
    {one.text}
    {#if one.about}
      <button type="button" onclick={() => seeTo(one)}>I have seen to it</button>
    {/if}
  </Note>
{/each}
{#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
{#each settled as one (one.key)}
  <details>
    <summary>{one.title}: seen to on {dateInWords(one.seen_on ?? '')}</summary>
    <p>{one.text}</p>
  </details>
{/each}

<style>
  button {
    display: block;
    min-height: var(--touch);
    margin-top: var(--space-2);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel);
    color: var(--color-text);
    font-weight: 550;
    cursor: pointer;
  }

  summary {
    min-height: var(--touch);
    padding: var(--space-2) var(--space-3);
    color: var(--color-text-soft);
    cursor: pointer;
  }

  details p {
    padding: 0 var(--space-3) var(--space-2);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
