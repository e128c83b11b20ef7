<script lang="ts">
  import type { Problem } from '../api/client';
  import Button from '../ui/Button.svelte';
  import Field from '../ui/Field.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import { garden } from './garden.svelte';
  import { session } from './session.svelte';

  let name = $state('');
  let password = $state('');
  let problem = $state<Problem | null>(null);
  let busy = $state(false);
  const demo = $derived(session.info?.is_demo ?? false);

  $effect(() => {
    if (session.lapsed) name ||= session.info?.user ?? '';
  });

  async function goOn(event?: SubmitEvent) {
    event?.preventDefault();
    busy = true;
    problem = await (demo ? session.lookRound() : session.signIn(name, password));
    busy = false;
    if (problem) return;
    password = '';
    await garden.load();
  }
</script>

<!-- Nobody is signed in any more: what was typed waits below this. -->
<Sheet title="You were signed out" bind:open={session.lapsed}>
  <form onsubmit={goOn}>
    <p>
      {demo ? 'The visit to the demo ended.' : 'Your session ended, here or on another device.'}
      What you typed is still there: go on, and press its button again.
    </p>
    {#if !demo}
      <Field label="Your name" name="name" autocomplete="username" bind:value={name} required />
      <Field
        label="Password"
        name="password"
        type="password"
        autocomplete="current-password"
        bind:value={password}
        trouble={problem?.message ?? ''}
        required
      />
    {:else if problem}
      <p role="alert">{problem.message}</p>
    {/if}
    <Button type="submit" look="go" disabled={busy}>
      {demo ? 'Go on with the visit' : 'Sign in and go on'}
    </Button>
  </form>
</Sheet>

<style>
  form {
    display: grid;
    gap: var(--space-3);
  }
</style>
