<!-- One's own account: another password, tokens for scripts, other devices, and leaving. -->
<script lang="ts">
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import { follow, Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import AgainField from '../../ui/AgainField.svelte';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import { dateInWords } from '../../ui/time';
  import Section from './Section.svelte';

  const tokens = new Resource<Schemas['TokensOut']>();
  const doors = new Resource<Schemas['OpenDoorsOut']>();
  let [old, fresh, name, sure, again] = $state(['', '', '', '', '']);
  let endDoors = $state(true);
  let writes = $state(false);
  let secret = $state('');
  let said = $state('');
  let problem = $state<Problem | null>(null);
  const trouble = (field: string) => (problem?.field === field ? problem.message : '');

  const load = () => {
    void doors.load((signal) => ask(client.GET('/api/doors', { signal })));
    return tokens.load((signal) => ask(client.GET('/api/tokens', { signal })));
  };
  follow(
    () => null,
    () => void load(),
  );

  async function change(event: SubmitEvent) {
    event.preventDefault();
    const open = doors.data?.words ?? '';
    problem = await session.changePassword(old, fresh, endDoors);
    if (problem) return (said = '');
    old = fresh = '';
    await load();
    if (!open) return (said = 'Changed; other devices are signed out.');
    return (said = endDoors
      ? `Changed; other devices are signed out. Ended: ${open}.`
      : `Changed; other devices are signed out. Still open: ${open}.`);
  }

  async function make(event: SubmitEvent) {
    event.preventDefault();
    const body = { name, writes, password: again };
    const reply = await ask(client.POST('/api/tokens', { body }));
    problem = reply.problem ?? null;
    if (!reply.data) return;
    secret = reply.data.secret;
    name = again = '';
    await load();
  }

  async function revoke(token_id: string) {
    const params = { path: { token_id } };
    problem = (await ask(client.DELETE('/api/tokens/{token_id}', { params }))).problem ?? null;
    await load();
  }
</script>

<Section title="Your account" empty="" count={1}>
  <form onsubmit={change}>
    <Field
      label="Your password so far"
      type="password"
      autocomplete="current-password"
      bind:value={old}
      trouble={trouble('old')}
    />
    <Field
      label="Another password"
      type="password"
      autocomplete="new-password"
      bind:value={fresh}
      trouble={trouble('password')}
    />
    <Button type="submit" disabled={!old || !fresh}>Change it</Button>
    <span role="status">{said}</span>
  </form>
  <p>
    <Button onclick={() => session.signOutEverywhere(endDoors)}>Sign out on every device</Button>
  </p>
  {#if doors.data?.words}
    <label>
      <input type="checkbox" bind:checked={endDoors} />
      {endDoors ? 'Either way these end, too:' : 'Either way these stay open:'}
      {doors.data.words}
    </label>
  {/if}
  <h3>Tokens for scripts</h3>
  <ul>
    {#each tokens.data?.tokens ?? [] as token (token.id)}
      <li>
        {token.name}, {token.writes ? 'reads and writes' : 'reads'}, {token.used_on
          ? `used ${dateInWords(token.used_on)}`
          : 'never used'}
        <Button look="quiet" onclick={() => revoke(token.id)}>Revoke {token.name}</Button>
      </li>
    {/each}
  </ul>
  <form onsubmit={make}>
    <Field label="What is a new token for?" bind:value={name} trouble={trouble('name')} />
    <label><input type="checkbox" bind:checked={writes} /> It may write, too</label>
    <AgainField bind:value={again} trouble={name ? trouble('password') : ''} />
    <Button type="submit" disabled={!name.trim()}>Make a token</Button>
  </form>
  {#if secret}
    <p>Copy it now, it is shown this once: <code>{secret}</code></p>
  {/if}
  <details>
    <summary>{session.owner ? 'Delete the garden and the account' : 'Delete the account'}</summary>
    <p>
      {session.owner
        ? 'Everything goes: places, doses, readings, photos, and everybody’s way in. Back it up first.'
        : 'What you wrote stays in the garden.'}
    </p>
    <Field label="Your password, to be sure" type="password" autocomplete="off" bind:value={sure} />
    <Button disabled={!sure} onclick={async () => (problem = await session.leave(sure))}>
      Delete it for good
    </Button>
  </details>
  <Message {problem} />
</Section>

<style>
  form,
  li {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: end;
  }

  li {
    align-items: center;
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  h3 {
    font-size: var(--text-l);
  }

  summary,
  label {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  code {
    overflow-wrap: anywhere;
  }
</style>
