<!-- Who shares the household: invited by a link, removed by a press. -->
<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { session } from '../../app/session.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import AgainField from '../../ui/AgainField.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import AccountSection from './AccountSection.svelte';
  import type { Setup } from './forms';
  import Section from './Section.svelte';
  import SelfCheck from './SelfCheck.svelte';

  interface Props {
    setup: Setup;
  }
  let { setup }: Props = $props();
  const invited = new Resource<Schemas['InvitationOut']>();
  const link = $derived(invited.data ? location.origin + invited.data.path : '');
  let role = $state<'helper' | 'viewer'>('helper');
  let problem = $state<Problem | null>(null);
  let leaving = $state('');
  let again = $state('');
  const invite = () => {
    const body = { role, password: again };
    void invited.load((signal) => ask(client.POST('/api/invitations', { body, signal })));
  };

  async function remove(name: string) {
    // pressed twice: the second press is meant
    if (leaving !== name) return (leaving = name);
    leaving = '';
    problem = (await ask(client.POST('/api/people/remove', { body: { name } }))).problem ?? null;
    await garden.changed();
    return name;
  }

  async function revoke() {
    problem = (await ask(client.DELETE('/api/invitations'))).problem ?? null;
    if (!problem) invited.clear();
  }
</script>

<Section title="People" empty="" count={setup.people.length}>
  <ul>
    {#each setup.people as person (person.name)}
      <li>
        <span>{person.name}, {person.role}</span>
        {#if session.owner && person.name !== session.info?.user}
          <Button look="quiet" onclick={() => remove(person.name)}>
            {leaving === person.name ? `Remove ${person.name}: sure?` : `Remove ${person.name}`}
          </Button>
        {/if}
      </li>
    {/each}
  </ul>
  {#if session.owner}
    <div class="invite">
      <Choice
        label="Invite somebody who"
        labelled
        bind:value={role}
        options={[
          { value: 'helper', name: 'helps: pours, reads and looks' },
          { value: 'viewer', name: 'only looks' },
        ]}
      />
      <AgainField bind:value={again} />
      <Button onclick={invite}>Make a link</Button>
      <Button look="quiet" onclick={revoke}>End links that nobody used</Button>
    </div>
  {/if}
  {#if link}
    <label>
      Give this link to one person; it works once, for a week
      <input readonly value={link} onfocus={(event) => event.currentTarget.select()} />
    </label>
  {/if}
  <Message problem={invited.problem ?? problem} />
</Section>
{#if !session.info?.is_demo}
  <AccountSection />
  {#if session.owner}<SelfCheck />{/if}
{/if}

<style>
  ul {
    display: grid;
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li,
  .invite {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: end;
  }

  li {
    align-items: center;
    min-height: var(--touch);
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
