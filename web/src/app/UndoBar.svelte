<script lang="ts">
  import Button from '../ui/Button.svelte';
  import { undo } from './undo.svelte';
</script>

<div class="place" role="status" aria-live="polite">
  {#if undo.bar}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
      class="bar"
      onpointerenter={() => undo.hold()}
      onpointerleave={() => undo.release()}
      onfocusin={() => undo.hold()}
      onfocusout={() => undo.release()}
    >
      <span>{undo.bar.text}</span>
      {#if undo.bar.next && !undo.bar.undone}
        <Button writes onclick={undo.bar.next.act}>{undo.bar.next.label}</Button>
      {/if}
      {#if undo.bar.changeId !== null}
        <Button writes onclick={() => undo.take(undo.bar?.changeId)}>
          {undo.bar.undone ? 'Put it back' : 'Undo'}
        </Button>
      {/if}
      <button type="button" aria-label="Close" onclick={() => (undo.bar = null)}>×</button>
    </div>
  {/if}
</div>

<style>
  .bar {
    position: fixed;
    right: var(--space-4);
    bottom: var(
      --space-4
    ); /* over the working, where nothing is pressed that one is in the middle of */

    z-index: 3;
    display: flex;
    gap: var(--space-2);
    align-items: center;
    width: max-content;
    max-width: min(420px, 100vw - 2 * var(--space-4));
    padding: var(--space-2) var(--space-2) var(--space-2) var(--space-4);
    border-radius: var(--radius);
    background: var(--color-text);
    color: var(--color-panel);
  }

  /* on a walk its foot is the large button */
  :global(body:has(.walk)) .bar {
    top: 64px;
    bottom: auto;
  }

  .bar > button {
    width: var(--touch);
    height: var(--touch);
    border: 0;
    background: none;
    font-size: var(--text-xl);
    cursor: pointer;
  }

  @media (width <= 1000px) {
    .bar {
      right: auto;
      bottom: 72px;
      left: 50%;
      flex-wrap: wrap;
      transform: translateX(-50%);
    }
  }
</style>
