<script lang="ts">
  import { session } from '../../app/session.svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import type { Setup } from './forms';
  import Section from './Section.svelte';

  interface Props {
    setup: Setup;
  }
  let { setup }: Props = $props();
  const invited = new Resource<Schemas['InvitationOut']>();
  const link = $derived(invited.data ? location.origin + invited.data.path : '');
  const invite = () =>
    void invited.load((signal) => ask(client.POST('/api/invitations', { signal })));
</script>

<Section title="People" empty="" count={setup.people.length} add="Invite a helper" onadd={invite}>
  <ul>
    {#each setup.people as person (person.name)}
      <li>{person.name}, {person.role}</li>
    {/each}
  </ul>
  {#if link}
    <label>
      Give this link to one helper; it works once, for a week
      <input readonly value={link} onfocus={(event) => event.currentTarget.select()} />
    </label>
  {/if}
  <Message problem={invited.problem} />
  <p>
    <Button onclick={() => session.signOutEverywhere()}>Sign out on every device</Button>
  </p>
</Section>

<style>
  ul {
    margin: 0;
    padding-left: var(--space-4);
  }

  label {
    display: grid;
    gap: var(--space-1);
  }

  input {
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }
</style>
