<script lang="ts">
  import { searchParams } from 'sv-router';
  import { session } from '../../app/session.svelte';
  import type { Problem } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';

  let name = $state('');
  let password = $state('');
  let problem = $state<Problem | null>(null);
  const token = String(searchParams.get('token') ?? '');
  const trouble = (field: string) => (problem?.field === field ? problem.message : '');

  async function join(event: SubmitEvent) {
    event.preventDefault();
    problem = await session.join(token, name, password);
    if (!problem) location.assign('/bench');
  }
</script>

<svelte:head><title>Help in a garden · Dace</title></svelte:head>

<main>
  <form onsubmit={join}>
    <h1>Help in a garden</h1>
    <p>You were given a link. Choose a name and a password, and you can pour, read and look.</p>
    <Field label="Your name" autocomplete="username" bind:value={name} trouble={trouble('name')} />
    <Field
      label="Password"
      type="password"
      autocomplete="new-password"
      hint="Eight characters or more."
      bind:value={password}
      trouble={trouble('password')}
    />
    {#if trouble('token')}<p class="trouble" role="alert">{trouble('token')}</p>{/if}
    <Button type="submit" look="go">Join</Button>
  </form>
</main>

<style>
  main {
    display: grid;
    place-items: center;
    min-height: 100dvh;
    padding: var(--space-4);
  }

  form {
    display: grid;
    gap: var(--space-3);
    width: min(400px, 100%);
    padding: var(--space-6);
    border: 1px solid var(--color-line);
    border-top: 3px solid var(--color-rim);
    border-radius: var(--radius);
    background: var(--color-panel);
  }

  h1 {
    font-size: var(--text-xl);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
