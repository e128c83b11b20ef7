<!-- A stop to dress with something dry, in one press. -->
<script lang="ts">
  import { ask, asSeen, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import ActBlock from './ActBlock.svelte';
  import { round } from './round.svelte';

  const { dress }: { dress: Schemas['RoundDressOut'] } = $props();
  const write = new Write();

  function give() {
    const { stand_id, portion } = dress;
    const said = `${dress.grams} g`;
    const of = { jar_id: portion.jar_id, material: '', also_said: '' };
    const body = { id: write.id(), stand_id, said, whole: true, ...of };
    const headers = asSeen(round.today.data?.edition);
    return write.send(() => ask(client.POST('/api/dressings', { body, headers })));
  }
</script>

<ActBlock title="{dress.name}: {dress.portion.text}" line={dress.reason} problem={write.problem}>
  {#snippet acts()}<Button look="go" disabled={write.busy} onclick={give}>Spread</Button>{/snippet}
</ActBlock>
