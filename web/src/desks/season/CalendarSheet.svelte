<!-- The plan for her phone: a file to take along, or a private address to subscribe to. -->
<script lang="ts">
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import AgainField from '../../ui/AgainField.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';

  let { open = $bindable() }: { open: boolean } = $props();
  const link = new Resource<Schemas['CalendarOut']>();
  let address = $state('');
  let problem = $state<Problem | null>(null);
  let copied = $state(false);
  let again = $state('');

  $effect(() => {
    if (!open) return;
    address = '';
    copied = false;
    void link.load((signal) => ask(client.GET('/api/calendar', { signal })));
  });

  async function renew() {
    const reply = await ask(client.POST('/api/calendar', { body: { password: again } }));
    problem = reply.problem ?? null;
    if (!reply.data) return;
    again = '';
    address = reply.data.address;
    link.take(reply.data);
  }

  async function revoke() {
    const reply = await ask(client.DELETE('/api/calendar', {}));
    problem = reply.problem ?? null;
    if (!reply.data) return;
    address = '';
    link.take(reply.data);
  }

  async function copy() {
    await navigator.clipboard?.writeText(address);
    copied = true;
  }
</script>

<Sheet title="The calendar" bind:open>
  <div>
    <p>Every feed to come as a day's entry; a feed that moves keeps its entry.</p>
    <ButtonLink look="go" href="/api/plan.ics">Download it</ButtonLink>
    {#if session.owner}
      <h3>Or let a calendar follow it</h3>
      {#if address}
        <p>
          <label for="address">Its address, told only now. Whoever has it can read the plan:</label>
          <input id="address" readonly value={address} onfocus={(e) => e.currentTarget.select()} />
        </p>
        <Button onclick={copy}>{copied ? 'Copied' : 'Copy it'}</Button>
      {:else if !link.data}
        {#if link.busy}<p>Looking whether there is one…</p>{/if}
      {:else if link.data.there}
        <p>An address leads to it. Lost it? A new one takes its place.</p>
        <AgainField bind:value={again} />
        <Button onclick={renew}>Make a new address</Button>
      {:else}
        <AgainField bind:value={again} />
        <Button onclick={renew}>Make a private address</Button>
      {/if}
      {#if link.data?.there}<Button onclick={revoke}>Revoke the address</Button>{/if}
    {/if}
    <Message problem={problem ?? link.problem} again={problem ? undefined : link.again} />
  </div>
</Sheet>

<style>
  div {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
  }

  p {
    width: 100%;
  }

  h3 {
    font-size: var(--text-m);
  }

  input {
    width: 100%;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }
</style>
