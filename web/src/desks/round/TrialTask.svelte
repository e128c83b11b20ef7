<!-- What a trial wants today. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { volume } from '../../app/measures';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Message from '../../ui/Message.svelte';

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

<section aria-label={task.title}>
  <div>
    <h2>{task.title}</h2>
    <p>{task.text}</p>
    <Message problem={write.problem} />
  </div>
  {#if task.kind === 'water'}
    <Button look="go" disabled={write.busy} onclick={pour}>Watered the same</Button>
  {:else}
    <ButtonLink href="/trial?trial={task.trial_id}">
      {task.kind === 'judge' ? 'Judge it' : 'Measure them'}
    </ButtonLink>
  {/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-3);
    align-items: center;
    padding: var(--space-3) var(--space-4);
    border: 1px dashed var(--color-edge);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  h2 {
    font-size: var(--text-l);
  }

  p {
    color: var(--color-text-soft);
  }

  @media (width <= 600px) {
    section {
      grid-template-columns: minmax(0, 1fr);
    }

    section > :global(a) {
      justify-content: center;
      text-align: center;
    }
  }
</style>
