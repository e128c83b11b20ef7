<!-- What a trial wants today. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { volume } from '../../app/measures';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import ActBlock from './ActBlock.svelte';

  const { task }: { task: Schemas['RoundTrialOut'] } = $props();
  const write = new Write();

  function pour() {
    const { fill_id, water_id } = task;
    const body = {
      id: write.id(),
      fill_id,
      water_id,
      water_kind: '',
      litres: volume(task.litres, 4),
      flush: false,
    };
    return write.send(() => ask(client.POST('/api/waterings', { body })));
  }
</script>

<ActBlock title={task.title} line={task.text} problem={write.problem}>
  {#snippet acts()}
    {#if task.kind === 'water'}
      <Button look="go" disabled={write.busy} onclick={pour}>Watered the same</Button>
    {:else}
      <ButtonLink href="/trial?trial={task.trial_id}">
        {task.kind === 'judge' ? 'Judge it' : 'Measure them'}
      </ButtonLink>
    {/if}
  {/snippet}
</ActBlock>
