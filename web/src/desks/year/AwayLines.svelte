<!-- Absences to come, each with a way back. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';

  const { aways }: { aways: Schemas['AwayOut'][] } = $props();
  const write = new Write();

  function back(one: Schemas['AwayOut']) {
    const params = { path: { away_id: one.id } };
    return write.send(() => ask(client.POST('/api/away/{away_id}/back', { params })));
  }
</script>

{#each aways as one (one.id)}
  <div class="away">
    <p>{one.line}.</p>
    {#if session.owner}
      <Button disabled={write.busy} onclick={() => void back(one)}>
        {one.begun ? 'Back again' : 'Not away after all'}
      </Button>
    {/if}
  </div>
{/each}
<Message problem={write.problem} />

<style>
  .away {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
    align-items: center;
    justify-content: space-between;
    padding: var(--space-1) var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }
</style>
