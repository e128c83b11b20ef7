<!-- A night that may harm what stands out: covered in a press, or its low put right. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import ActBlock from './ActBlock.svelte';
  import NightSheet from './NightSheet.svelte';

  const { night }: { night: Schemas['RoundNightOut'] } = $props();
  const write = new Write();
  let open = $state(false);

  function covered() {
    const body = { id: write.id(), low: '', clear: null, covered: true };
    return write.send(() => ask(client.POST('/api/night', { body })));
  }
</script>

<ActBlock title={night.title} line={night.line} tone="care" problem={write.problem}>
  {#if !night.forecast && !night.told}<p>No forecast: a usual night here.</p>{/if}
  {#snippet acts()}
    <Button writes look="go" disabled={write.busy} onclick={() => void covered()}>Covered</Button>
    <Button writes onclick={() => (open = true)}>Another low</Button>
  {/snippet}
</ActBlock>
<NightSheet bind:open usually={night.clear ?? false} />
