<script lang="ts">
  import { ask, client, type Schemas } from '../api/client';
  import Message from '../ui/Message.svelte';
  import Note from '../ui/Note.svelte';
  import { dateInWords } from '../ui/time';
  import { Write } from './write.svelte';
  import { may } from '../ui/may.svelte';

  type Advice = Schemas['AdviceOut'];
  interface Props {
    advice: Advice[];
  }
  const { advice }: Props = $props();
  const open = $derived(advice.filter((one) => !one.seen_on));
  const settled = $derived(advice.filter((one) => one.seen_on));
  const write = new Write();

  function seeTo(one: Advice) {
    if (!one.about) return;
    const body = { id: write.id(one.key), caution: one.key, about: one.about };
    return write.send(() => ask(client.POST('/api/cautions/seen', { body })));
  }
</script>

<!-- Cautions: what only the gardener can settle is asked once, and then stands folded. -->
{#each open as one (one.key)}
  <Note severity={one.severity} title={one.title}>
    {one.text}
    {#if one.about && may.write}
      <button type="button" onclick={() => seeTo(one)}>I have seen to it</button>
    {/if}
  </Note>
{/each}
<Message problem={write.problem} />
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
</style>
