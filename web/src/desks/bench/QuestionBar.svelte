<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { saySalt } from '../../app/saySalt';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import StagePlate from '../../drawings/plants/StagePlate.svelte';
  import Message from '../../ui/Message.svelte';

  interface Props {
    question: Schemas['QuestionOut'];
    plantingOf: (standId: string) => string;
    subjectId: string;
    onlook: () => void;
    /** Whether the question is said above already. */
    said?: boolean;
  }
  const { question, plantingOf, subjectId, onlook, said = false }: Props = $props();
  const write = new Write();
  const words = $derived(/[.?]$/.test(question.what) ? question.what : `${question.what}.`);

  const stand = $derived(
    garden.stops.flatMap((stop) => stop.stands).find((one) => one.id === question.stand_id),
  );

  /** A stage confirmed in one press. */
  function see(stage: string) {
    const params = { path: { planting_id: plantingOf(question.stand_id ?? '') } };
    const body = { id: write.id(stage), stage, on: null, sure: false };
    return write.send(() =>
      ask(client.POST('/api/plantings/{planting_id}/stage', { params, body })),
    );
  }
</script>

<!-- What to look at, answered in one press. -->
<div class="question off-paper" role="group" aria-label="Look first">
  {#if stand && question.about === 'stage'}
    <StagePlate stage={question.yes} grown={stand.grown} />
  {/if}
  {#if !said}<p>{words}</p>{/if}
  {#if question.about === 'stage'}
    <Button writes disabled={write.busy} onclick={() => see(question.yes)}>Yes</Button>
    {#if question.no}
      <Button writes disabled={write.busy} onclick={() => see(question.no)}>Not yet</Button>
    {/if}
    <Button writes look="quiet" onclick={onlook}>Something else</Button>
  {:else if question.about === 'crust'}
    <Button writes disabled={write.busy} onclick={() => saySalt(write, subjectId, 'crust')}>
      Yes
    </Button>
    <Button writes disabled={write.busy} onclick={() => saySalt(write, subjectId, 'clean')}>
      No
    </Button>
  {:else}
    <Button writes onclick={() => keys.read(subjectId)}>Write down a reading</Button>
  {/if}
  <Message problem={write.problem} />
</div>

<style>
  .question {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: center;
  }

  p {
    flex: 1 1 260px;
  }
</style>
