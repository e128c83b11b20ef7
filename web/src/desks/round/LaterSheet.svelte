<!-- Young plants that are not moved on now: asked again in a week, or never. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';

  interface Props {
    raising: Schemas['RoundRaisingOut'];
    open: boolean;
  }
  let { raising, open = $bindable() }: Props = $props();
  const write = new Write();

  async function say(step: 'later' | 'stays') {
    const body = { id: write.id(step), planting_ids: raising.planting_ids, step };
    if (await write.send(() => ask(client.POST('/api/raising', { body })))) open = false;
  }
</script>

<Sheet title={raising.title} bind:open>
  <p class="acts">
    <Button look="go" disabled={write.busy} onclick={() => void say('later')}>Ask in a week</Button>
    <Button disabled={write.busy} onclick={() => void say('stays')}>They stay where they are</Button
    >
  </p>
  <Message problem={write.problem} />
</Sheet>

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
  }
</style>
