<script lang="ts">
  import Sheet from '../ui/Sheet.svelte';
  import { garden } from './garden.svelte';
  import { goTo, keys } from './keys.svelte';
  import { DESKS, type PagePath } from './desks';
  import { away } from './away/away.svelte';
  import { session } from './session.svelte';
  import { may } from '../ui/may.svelte';

  let more = $state(false);

  function open(path: PagePath) {
    more = false;
    void goTo(path);
  }
</script>

<nav aria-label="Thumb buttons">
  <a href="/round{garden.search}">Round</a>
  <a href="/bench{garden.search}">Pour</a>
  {#if may.write}<button type="button" onclick={() => keys.read()}>Read</button>{/if}
  <button type="button" aria-haspopup="dialog" onclick={() => (more = true)}>More</button>
</nav>
<Sheet title="Desks" bind:open={more}>
  {#if away.ready !== null && !away.off}
    <p>
      {away.ready ? 'Ready for a walk without a connection.' : 'Reading ahead for a walk…'}
    </p>
  {/if}
  <ul>
    {#each DESKS as desk (desk.path)}
      <li><button type="button" onclick={() => open(desk.path)}>{desk.name}</button></li>
    {/each}
    {#if may.write}
      <li>
        <button
          type="button"
          onclick={() => {
            more = false;
            keys.looksOpen = true;
          }}>How do they look?</button
        >
      </li>
    {/if}
    <li><button type="button" onclick={() => open('/signs')}>What is wrong?</button></li>
    <li><button type="button" onclick={() => open('/trials')}>Did it help?</button></li>
    <li><button type="button" onclick={() => open('/roots')}>What the roots say</button></li>
    <li><button type="button" onclick={() => open('/setup')}>Set-up</button></li>
    <li><button type="button" onclick={() => open('/exchange')}>In and out</button></li>
    <li><button type="button" onclick={() => open('/help')}>Help</button></li>
    <li>
      <button
        type="button"
        onclick={() => {
          more = false;
          keys.findOpen = true;
        }}>Find</button
      >
    </li>
    <li>
      <button type="button" onclick={() => session.signOut()}>
        {session.info?.is_demo ? 'Leave the demo' : 'Sign out'}
      </button>
    </li>
  </ul>
</Sheet>

<style>
  nav {
    display: none;
  }

  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li button {
    width: 100%;
    min-height: 52px;
    padding: 0 var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    font-weight: 550;
    text-align: left;
  }

  @media (width <= 1000px) {
    nav {
      position: fixed;
      inset: auto 0 0;
      z-index: 2;
      display: grid;
      grid-template-columns: repeat(4, 1fr);
      height: 64px;
      border-top: 1px solid var(--color-edge);
      background: var(--color-panel);
    }

    nav a,
    nav button {
      display: grid;
      place-items: center;
      border: 0;
      background: none;
      color: inherit;
      font-weight: 600;
      text-decoration: none;
    }
  }
</style>
