<!-- A can that reads wrong and still holds something: what makes it right, in one press. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { volume } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';

  const { canId }: { canId: string } = $props();
  const read = new Resource<Schemas['CanReadOut']>();
  const write = new Write();
  const found = $derived(read.data?.correction ?? null);

  follow(
    () => [canId, garden.version] as const,
    ([can_id]) => {
      const params = { path: { can_id } };
      void read.load((signal) =>
        ask(client.GET('/api/cans/{can_id}/correction', { params, signal })),
      );
    },
  );

  function stir() {
    if (!found) return;
    const { water_l, pour_off_l } = found;
    const params = { path: { can_id: canId } };
    const body = { id: write.id(), water_l, pour_off_l };
    void write.send(() => ask(client.POST('/api/cans/{can_id}/water', { params, body })));
  }
</script>

{#if found && found.kind !== 'right'}
  <div>
    <p><b>{found.text}</b> {found.says}</p>
    <Message problem={write.problem} />
    {#if found.water_l > 0}
      <Button writes disabled={write.busy} onclick={stir}>
        I stirred in {volume(found.water_l, 2)}
      </Button>
    {/if}
  </div>
{/if}

<style>
  div {
    display: grid;
    gap: var(--space-2);
    justify-items: start;
    margin-top: var(--space-2);
    padding: var(--space-2) var(--space-3);
    border-left: 4px solid var(--color-care);
    background: var(--color-care-tint);
  }

  p {
    line-height: 1.35;
  }
</style>
