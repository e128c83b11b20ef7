<!-- Signs looked up before: what were they after all? -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import { dateInWords } from '../../ui/time';

  const { checks }: { checks: Schemas['OpenCheckOut'][] } = $props();
  const write = new Write();

  const say = (check_id: string, outcome: string) => {
    const params = { path: { check_id } };
    return write.send(() =>
      ask(client.POST('/api/signs/{check_id}/outcome', { params, body: { outcome } })),
    );
  };
</script>

{#if checks.length}
  <section aria-label="Looked up before">
    <h2>Looked up before: what was it?</h2>
    <Message problem={write.problem} />
    <ul>
      {#each checks as check (check.id)}
        <li>
          <p>
            <b>{check.name}:</b>
            {check.pattern}.
            {check.due ? 'Look again now.' : `Look again about ${dateInWords(check.again_on)}.`}
          </p>
          <div>
            {#each check.causes as cause (cause)}
              <Button writes disabled={write.busy} onclick={() => say(check.id, cause)}
                >{cause}</Button
              >
            {/each}
            <Button writes disabled={write.busy} onclick={() => say(check.id, 'something else')}>
              something else
            </Button>
          </div>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  h2 {
    font-size: var(--text-l);
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin-block: var(--space-2);
  }
</style>
