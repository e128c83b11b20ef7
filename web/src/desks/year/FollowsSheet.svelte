<!-- What may follow where a crop was cleared: one press sows it. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import { typedNumber } from '../../ui/numbers';
  import { dayOf } from '../../ui/time';

  interface Props {
    fillId: string;
    /** How many plants stood there: as many are sown again unless another number is said. */
    count: number;
    open: boolean;
  }
  let { fillId, count, open = $bindable() }: Props = $props();
  const read = new Resource<Schemas['FollowsOut']>();
  const write = new Write();
  let plants = $state('');
  const rows = $derived([...(read.data?.crops ?? []), ...(read.data?.green ?? [])]);
  type Follower = Schemas['FollowerOut'];

  $effect(() => {
    if (!open) return;
    untrack(() => {
      write.begin();
      plants = String(Math.max(1, count));
      const params = { path: { fill_id: fillId } };
      void read.load((signal) =>
        ask(client.GET('/api/fills/{fill_id}/follows', { params, signal })),
      );
    });
  });

  function sent(one: Follower, number: number) {
    if (one.green) {
      const body = { id: write.id(one.key), fill_id: fillId, key: one.key };
      return ask(client.POST('/api/green', { body }));
    }
    const body = {
      id: write.id(one.key),
      stand_id: write.id(`stand ${one.key}`),
      fill_id: fillId,
      crop: one.key,
      count: number,
      started_on: garden.path ? dayOf(garden.path.now, garden.path.zone) : '',
      stage: one.stage,
      called: '',
    };
    return ask(client.POST('/api/plantings', { body }));
  }

  async function sow(one: Follower) {
    const number = typedNumber(plants);
    if (!number && !one.green) return write.refuse('count', plants, 'a number of plants would do');
    if (await write.send(() => sent(one, Math.round(number ?? 1)))) open = false;
  }
</script>

<Sheet title="What follows{read.data ? ` on ${read.data.place}` : ''}?" bind:open>
  <Message problem={read.problem} again={read.again} />
  {#if !read.data && !read.problem}<p aria-busy="true">Working out what still ripens…</p>{/if}
  {#if read.data}
    <Field
      label="How many plants"
      bind:value={plants}
      inputmode="numeric"
      trouble={write.trouble('count')}
    />
    <Message problem={write.problem && write.problem.field !== 'count' ? write.problem : null} />
    <ul>
      {#each rows as one (one.key)}
        <li>
          <span>
            <b>{one.name}</b>
            <small>{one.why}</small>
            {#if one.against}<small class="care">{one.against}</small>{/if}
          </span>
          <Button disabled={write.busy} onclick={() => void sow(one)}>
            Sow<span class="unseen"> {one.name}</span>
          </Button>
        </li>
      {:else}
        <li>Nothing sown today still ripens.</li>
      {/each}
    </ul>
    <p class="soft">{read.data.rest}</p>
  {/if}
</Sheet>

<style>
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    gap: var(--space-3);
    align-items: center;
    justify-content: space-between;
    padding: var(--space-1) 0;
    border-bottom: 1px dashed var(--color-line);
  }

  small {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .care {
    color: var(--color-care);
  }

  .soft {
    color: var(--color-text-soft);
  }
</style>
