<script lang="ts">
  import { onMount } from 'svelte';
  import JoinPage from '../desks/welcome/JoinPage.svelte';
  import Welcome from '../desks/welcome/Welcome.svelte';
  import Button from '../ui/Button.svelte';
  import { session } from './session.svelte';
  import Shell from './Shell.svelte';

  onMount(() => session.load());
</script>

{#if session.info?.signed_in}
  <Shell />
{:else if session.info && location.pathname === '/join'}
  <JoinPage />
{:else if session.info}
  <Welcome />
{:else if session.problem}
  <main>
    <h1>Dace is not answering</h1>
    <p>{session.problem.message}</p>
    <Button look="go" onclick={() => session.load()}>Try again</Button>
  </main>
{:else}
  <main aria-busy="true"><p>Opening the garden…</p></main>
{/if}

<style>
  main {
    display: grid;
    gap: var(--space-4);
    justify-items: start;
    align-content: start;
    max-width: 480px;
    min-height: 100dvh; /* as high as what comes: nothing moves then */
    margin: 0 auto;
    padding: 20vh var(--space-4) 0;
  }
</style>
