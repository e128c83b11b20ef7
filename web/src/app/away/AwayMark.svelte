<!-- No connection, or something that waits: said small in the head, opened for what it is. -->
<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import { counted } from '../../ui/language';
  import { away } from './away.svelte';
  import WaitingCard from './WaitingCard.svelte';

  let open = $state(false);
  const count = $derived(away.waiting.length);
  const refused = $derived(away.refused.length);
  const said = $derived.by(() => {
    if (refused) return `${refused} not taken`;
    if (count) return `${count} waiting`;
    if (away.others) return `${away.others} of others`;
    return away.off ? 'no connection' : '';
  });
</script>

<div aria-live="polite">
  {#if said}
    <button
      type="button"
      class:care={refused > 0}
      aria-haspopup="dialog"
      onclick={() => (open = true)}
    >
      <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true">
        {#if refused}<path d="M6 1 11 11H1Z" />{:else}<circle cx="6" cy="6" r="4.5" />{/if}
      </svg>
      {said}
    </button>
  {/if}
</div>
<Sheet title={count || away.others ? 'Waiting to be sent' : 'No connection'} bind:open>
  <p>
    {#if refused}
      What the garden did not take stands here until you say what becomes of it.
    {:else if away.off}
      Dace does not answer here. The Round goes on. What you do is kept here, and goes in once there
      is a connection.
    {:else if count}
      It goes in now, in the order in which it was done.
    {/if}
  </p>
  {#if count}
    <ol>
      {#each away.waiting as one (one.turn)}<WaitingCard {one} />{/each}
    </ol>
  {/if}
  {#if away.others}
    <p>
      {counted(away.others, 'thing')} done under another name, or for another garden, wait on this device.
      They go in when that one signs in here.
    </p>
    <Button onclick={() => void away.dropOthers()}>Do not keep them</Button>
  {/if}
  <Button disabled={away.sending} onclick={() => void away.knock()}>
    {away.sending ? 'Sending…' : 'Try now'}
  </Button>
</Sheet>

<style>
  button {
    display: inline-flex;
    gap: 6px;
    align-items: center;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-round);
    background: var(--color-panel);
    color: inherit;
    font: 550 var(--text-s) / 1 var(--face-text);
    white-space: nowrap;
    cursor: pointer;
  }

  svg {
    fill: none;
    stroke: currentcolor;
    stroke-width: 2;
  }

  .care {
    border-color: var(--color-care);
    color: var(--color-care);
  }

  ol {
    display: grid;
    gap: var(--space-3);
    margin: var(--space-3) 0;
    padding: 0;
    list-style: none;
  }
</style>
