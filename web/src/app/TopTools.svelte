<script lang="ts">
  import { keys } from './keys.svelte';
  import { session } from './session.svelte';
</script>

<!-- Find, keys and the way out, at the right of the head; on a phone they are under More. -->
<button
  type="button"
  class="find"
  aria-label="Find"
  title="Find (/)"
  onclick={() => (keys.findOpen = true)}
>
  <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
    <path d="M7.5 1.5a6 6 0 1 0 0 12 6 6 0 0 0 0-12Zm4.5 10.5 4.5 4.5" />
  </svg>
</button>
<button
  type="button"
  aria-label="Keys and help"
  title="Keys and help (?)"
  onclick={() => (keys.helpOpen = true)}
>
  ?
</button>
<button type="button" class="out" onclick={() => session.signOut()}>
  {session.info?.is_demo ? 'Leave the demo' : 'Sign out'}
</button>

<style>
  .find path {
    fill: none;
    stroke: currentcolor;
    stroke-width: 2;
  }

  button {
    min-width: var(--touch);
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius-round);
    background: none;
    font-size: var(--text-s);
    white-space: nowrap;
    cursor: pointer;
  }

  @media (width <= 1000px) {
    button {
      display: none;
    }
  }
</style>
