<!-- A planting that is over by its days: cleared, or still there, in one press. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import ActBlock from './ActBlock.svelte';

  const { over }: { over: Schemas['RoundOverOut'] } = $props();
  const write = new Write();
  const params = $derived({ path: { planting_id: over.planting_id } });

  function cleared() {
    const body = { id: write.id('cleared'), amount: '', sick: false };
    return write.send(() =>
      ask(client.POST('/api/plantings/{planting_id}/cleared', { params, body })),
    );
  }

  function stands() {
    const body = { id: write.id('stands'), stage: over.stage, on: null, sure: false };
    return write.send(() =>
      ask(client.POST('/api/plantings/{planting_id}/stage', { params, body })),
    );
  }
</script>

<ActBlock title={over.name} line={over.line} problem={write.problem}>
  {#snippet acts()}
    {#if session.owner}
      <Button look="go" disabled={write.busy} onclick={() => void cleared()}>Cleared</Button>
    {/if}
    <Button writes disabled={write.busy} onclick={() => void stands()}>Still there</Button>
  {/snippet}
</ActBlock>
