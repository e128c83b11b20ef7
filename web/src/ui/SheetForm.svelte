<script lang="ts">
  import { untrack, type Snippet } from 'svelte';
  import type { Write } from '../app/write.svelte';
  import Button from './Button.svelte';
  import Sheet from './Sheet.svelte';

  interface Props {
    title: string;
    open: boolean;
    /** What is written; its problem is shown here unless a field of ``fields`` says it. */
    write: Write;
    /** What the go button says. */
    submit?: string;
    fields?: string[];
    keep: () => Promise<unknown>;
    /** What stands in the sheet instead, as long as there is nothing to fill in. */
    instead?: Snippet | undefined;
    children: Snippet;
  }
  let {
    title,
    open = $bindable(),
    write,
    submit = 'Write it down',
    fields = [],
    keep,
    instead,
    children,
  }: Props = $props();

  // Each time it opens another intent begins.
  $effect(() => {
    if (open) untrack(() => write.begin());
  });

  function send(event: SubmitEvent) {
    event.preventDefault();
    write.problem = null;
    void keep();
  }
</script>

<!-- A sheet that asks for one thing and writes it down. -->
<Sheet {title} bind:open>
  {#if instead}
    {@render instead()}
  {:else}
    <form onsubmit={send} novalidate>
      {@render children()}
      {#if write.problem && !fields.includes(write.problem.field)}
        <p class="trouble" role="alert">{write.problem.message}</p>
      {/if}
      <Button look="go" type="submit" disabled={write.busy}>{submit}</Button>
    </form>
  {/if}
</Sheet>

<style>
  form {
    display: grid;
    gap: var(--space-3);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
