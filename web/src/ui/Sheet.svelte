<script lang="ts">
  import type { Snippet } from 'svelte';
  import { onBack } from './back';

  interface Props {
    title: string;
    open: boolean;
    children: Snippet;
  }
  let { title, open = $bindable(), children }: Props = $props();
  const id = $props.id();
  let dialog: HTMLDialogElement | undefined = $state();

  $effect(() => {
    if (open && !dialog?.open) dialog?.showModal();
    if (!open && dialog?.open) dialog.close();
  });

  $effect(() => (open ? onBack(() => (open = false)) : undefined));

  // The browser tells of a close a task later: a key pressed meanwhile may have opened it again.
  function closed() {
    if (!dialog?.open) open = false;
  }

  function escape(event: KeyboardEvent) {
    if (event.key !== 'Escape') return;
    event.preventDefault();
    open = false;
  }
</script>

<dialog bind:this={dialog} aria-labelledby={id} onclose={closed} onkeydown={escape}>
  {#if open}
    <header>
      <h2 {id}>{title}</h2>
      <button type="button" aria-label="Close" onclick={() => (open = false)}>×</button>
    </header>
    {@render children()}
  {/if}
</dialog>

<style>
  dialog {
    width: min(480px, 100vw - 2 * var(--space-4));
    max-height: calc(100dvh - 2 * var(--space-6));
    padding: var(--space-4) var(--space-6) var(--space-6);
    overflow-y: auto;
    border: 1px solid var(--color-line);
    border-top: 3px solid var(--color-rim);
    border-radius: var(--radius);
    background: var(--color-panel);
    color: var(--color-text);
  }

  dialog::backdrop {
    background: rgb(20 25 28 / 50%);
  }

  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-3);
    margin-bottom: var(--space-3);
  }

  h2 {
    font-size: var(--text-xl);
  }

  header button {
    width: var(--touch);
    height: var(--touch);
    border: 0;
    background: none;
    font-size: var(--text-xl);
    cursor: pointer;
  }

  @media (width <= 700px) {
    dialog {
      width: 100vw;
      max-width: 100vw;
      margin: auto 0 0;
      border-radius: var(--radius) var(--radius) 0 0;
    }
  }
</style>
