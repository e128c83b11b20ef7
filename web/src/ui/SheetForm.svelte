<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Problem } from '../api/client';
  import Button from './Button.svelte';
  import Sheet from './Sheet.svelte';

  interface Props {
    title: string;
    open: boolean;
    /** What the go button says. */
    submit?: string;
    /** What went wrong; shown here unless a field of ``fields`` says it beside itself. */
    problem: Problem | null;
    fields?: string[];
    keep: () => Promise<void>;
    children: Snippet;
  }
  let {
    title,
    open = $bindable(),
    submit = 'Write it down',
    problem,
    fields = [],
    keep,
    children,
  }: Props = $props();

  function send(event: SubmitEvent) {
    event.preventDefault();
    void keep();
  }
</script>

<!-- A sheet that asks for one thing and writes it down. -->
<Sheet {title} bind:open>
  <form onsubmit={send} novalidate>
    {@render children()}
    {#if problem && !fields.includes(problem.field)}
      <p class="trouble" role="alert">{problem.message}</p>
    {/if}
    <Button look="go" type="submit">{submit}</Button>
  </form>
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
