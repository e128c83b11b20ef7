<!-- What would mend what runs short, and the press that does it. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { goTo } from '../../app/keys.svelte';
  import { navigate } from '../../app/way';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';

  const { remedy }: { remedy: Schemas['RemedyOut'] } = $props();
  const write = new Write();

  function mend() {
    const { kind, plantings, place_id } = remedy;
    if (kind === 'rhythm') {
      const body = { plantings, rhythm: 'as_needed' as const };
      return write.send(() => ask(client.POST('/api/plan/keep', { body })));
    }
    return kind === 'get' || kind === 'slow'
      ? goTo('/shelf')
      : navigate('/place', { stop: place_id });
  }
</script>

<div>
  <p>{remedy.text}</p>
  {#if session.owner}
    <Button disabled={write.busy} onclick={mend}>{remedy.button}</Button>
  {/if}
  <Message problem={write.problem} />
</div>

<style>
  div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-3);
    align-items: center;
    margin-bottom: var(--space-2);
  }

  p {
    flex: 1 1 14rem;
  }
</style>
