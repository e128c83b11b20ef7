<!-- A sowing that was meant for today: sown in one press. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import ActBlock from './ActBlock.svelte';

  const { sow }: { sow: Schemas['MeantOut'] } = $props();
  const write = new Write();
  const params = $derived({ path: { row_id: sow.id } });

  function sown() {
    const body = { id: write.id('planting'), stand_id: write.id('stand') };
    return write.send(() => ask(client.POST('/api/intended/{row_id}/sown', { params, body })));
  }
</script>

<ActBlock title="Sow {sow.name}" line={sow.place} problem={write.problem}>
  {#snippet acts()}
    {#if session.owner}
      <Button look="go" disabled={write.busy} onclick={() => void sown()}>Sown</Button>
    {/if}
  {/snippet}
</ActBlock>
