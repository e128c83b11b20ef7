<!-- What a trial wants today. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import ActBlock from './ActBlock.svelte';
  import { round } from './round.svelte';

  const { task }: { task: Schemas['RoundTrialOut'] } = $props();
  const key = $derived(`trial ${task.trial_id}`);
  const write = $derived(round.write(key));
</script>

<ActBlock title={task.title} line={task.text} problem={write.problem}>
  {#snippet acts()}
    {#if task.kind === 'water'}
      <Button look="go" disabled={write.busy} onclick={() => round.water(key, task)}>
        Watered the same
      </Button>
    {:else}
      <ButtonLink href="/trial?trial={task.trial_id}">
        {task.kind === 'judge' ? 'Judge it' : 'Measure them'}
      </ButtonLink>
    {/if}
  {/snippet}
</ActBlock>
