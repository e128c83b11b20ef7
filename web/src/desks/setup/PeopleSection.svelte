<script lang="ts">
  import { session } from '../../app/session.svelte';
  import { ask, client, type Problem } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import type { Setup } from './forms';
  import Section from './Section.svelte';

  interface Props {
    setup: Setup;
  }
  let { setup }: Props = $props();
  let link = $state('');
  let problem = $state<Problem | null>(null);

  async function invite() {
    const reply = await ask(client.POST('/api/invitations'));
    problem = reply.problem ?? null;
    if (reply.data) link = location.origin + reply.data.path;
  }
</script>

<Section
  title="People"
  empty=""
  count={setup.people.length}
  add={setup.owner ? 'Invite a helper' : ''}
  onadd={invite}
>
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
  {#if problem}<p role="alert">{problem.message}</p>{/if}
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

  p[role='alert'] {
    color: var(--color-stop);
  }
</style>
