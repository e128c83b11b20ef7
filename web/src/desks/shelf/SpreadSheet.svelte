<!-- So much of a dry jar on a whole bed or pot, grown or bare: what it brings is said first. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import { follow } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import AdviceList from '../solids/AdviceList.svelte';

  interface Props {
    jar: { id: string; name: string };
    open: boolean;
  }
  let { jar, open = $bindable() }: Props = $props();
  const write = new Write();
  const offered = new Resource<Schemas['SolidsOut']>();
  const found = new Resource<Schemas['SpreadOut']>();
  const beds = $derived(offered.data?.beds ?? []);
  let bed = $state('');
  let amount = $state('');
  const chosen = $derived(bed || (beds[0]?.key ?? ''));

  $effect(() => {
    if (open && !offered.data)
      untrack(() => void offered.load((signal) => ask(client.GET('/api/solids', { signal }))));
  });

  const body = () => ({ id: write.id(), fill_id: chosen, jar_id: jar.id, amount });

  follow(
    () => [open, chosen, amount] as const,
    () => {
      if (open && chosen)
        found.soon((signal) => ask(client.POST('/api/spreads/preview', { body: body(), signal })));
    },
  );

  async function keep() {
    if (await write.send(() => ask(client.POST('/api/spreads', { body: body() })))) open = false;
  }
</script>

<SheetForm
  title="Spread {jar.name}"
  {write}
  submit="Spread it"
  fields={['amount']}
  {keep}
  bind:open
>
  <Message problem={offered.problem} again={offered.again} />
  <Choice
    label="On"
    labelled
    value={chosen}
    onchange={(value) => (bed = value)}
    options={beds.map((one) => ({ value: one.key, name: one.name }))}
  />
  <Field
    label="How much"
    bind:value={amount}
    placeholder="all of it"
    hint="10 kg, 2 barrows or 3 buckets."
    trouble={write.trouble('amount') || (found.problem?.message ?? '')}
  />
  {#if found.data && !found.problem}
    <div aria-live="polite">
      <p><b>{found.data.amount}</b></p>
      <ul>
        {#each found.data.shares as one (one.name)}
          <li>{one.name}: {one.text}, {one.range_text}</li>
        {/each}
      </ul>
      <AdviceList said={found.data.said} />
    </div>
  {/if}
</SheetForm>

<style>
  ul {
    margin: 0;
    padding-left: var(--space-4);
  }
</style>
