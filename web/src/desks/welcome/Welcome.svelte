<script lang="ts">
  import { navigate } from '../../app/way';
  import { session } from '../../app/session.svelte';
  import type { Problem } from '../../api/client';
  import Fish from '../../drawings/Fish.svelte';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';

  let mode = $state<'in' | 'up'>(session.info?.first_start ? 'up' : 'in');
  let name = $state('');
  let password = $state('');
  let gardenName = $state('');
  let problem = $state<Problem | null>(null);
  let busy = $state(false);

  const trouble = (field: string) => (problem?.field === field ? problem.message : '');
  const elsewhere = $derived(
    problem && !['name', 'password', 'garden'].includes(problem.field) ? problem.message : '',
  );

  async function attempt(act: () => Promise<Problem | null>) {
    busy = true;
    problem = await act();
    busy = false;
    // a new garden begins with its questions
    if (!problem && mode === 'up' && !session.info?.is_demo) await navigate('/setup');
  }

  function submit(event: SubmitEvent) {
    event.preventDefault();
    void attempt(() =>
      mode === 'up' ? session.signUp(name, password, gardenName) : session.signIn(name, password),
    );
  }
</script>

<svelte:head><title>Dace</title></svelte:head>

<main>
  <div class="what">
    <p class="mark"><Fish /> <b>Dace</b></p>
    <h1>How strong is the can, and is that right for these plants?</h1>
    <p>
      Dace works out your feed, your pen’s figure and what the stage likes. It writes down what you
      poured, and shows how it got every number.
    </p>
    {#if session.info?.demo_on}
      <Button look="go" disabled={busy} onclick={() => attempt(() => session.lookRound())}>
        Look round Weir Yard, the demo garden
      </Button>
    {/if}
  </div>
  <form onsubmit={submit}>
    <h2>{mode === 'up' ? 'A garden of your own' : 'Back to your garden'}</h2>
    <Field
      label="Your name"
      name="name"
      autocomplete="username"
      bind:value={name}
      trouble={trouble('name')}
      required
    />
    <Field
      label="Password"
      name="password"
      type="password"
      autocomplete={mode === 'up' ? 'new-password' : 'current-password'}
      hint={mode === 'up' ? 'Eight characters or more.' : ''}
      bind:value={password}
      trouble={trouble('password')}
      required
    />
    {#if mode === 'up'}
      <Field
        label="What is the garden called?"
        name="garden"
        bind:value={gardenName}
        trouble={trouble('garden')}
        required
      />
    {/if}
    {#if elsewhere}<p class="trouble" role="alert">{elsewhere}</p>{/if}
    <Button type="submit" look={session.info?.demo_on ? 'plain' : 'go'} disabled={busy}>
      {mode === 'up' ? 'Begin' : 'Sign in'}
    </Button>
    <Button look="quiet" onclick={() => (mode = mode === 'up' ? 'in' : 'up')}>
      {mode === 'up' ? 'I have a garden here already' : 'Begin a garden of your own'}
    </Button>
  </form>
</main>

<style>
  main {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 380px;
    gap: var(--space-8);
    align-items: center;
    max-width: 1000px;
    min-height: 100dvh;
    margin: 0 auto;
    padding: var(--space-6);
  }

  .what {
    display: grid;
    gap: var(--space-4);
    justify-items: start;
    max-width: 46ch;
  }

  .mark {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    font: 700 var(--text-xl) / 1 var(--face-head);
  }

  h1 {
    font-size: 2rem;
  }

  form {
    display: grid;
    gap: var(--space-3);
    padding: var(--space-6);
    border: 1px solid var(--color-line);
    border-top: 3px solid var(--color-rim);
    border-radius: var(--radius);
    background: var(--color-panel);
  }

  .trouble {
    color: var(--color-stop);
  }

  @media (width <= 800px) {
    main {
      grid-template-columns: minmax(0, 1fr);
      align-content: start;
      padding: var(--space-4);
    }

    h1 {
      font-size: var(--text-xl);
    }
  }
</style>
