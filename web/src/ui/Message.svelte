<script lang="ts">
  import type { Problem } from '../api/client';
  import Button from './Button.svelte';

  interface Props {
    problem: Problem | null;
    /** Tries the same once more, where that makes sense. */
    again?: () => void;
  }
  const { problem, again }: Props = $props();
</script>

<!-- What went wrong, in the server's own sentence, and the way on. -->
{#if problem}
  <div>
    <p role="alert">{problem.message}</p>
    {#if again}<Button onclick={again}>Try again</Button>{/if}
  </div>
{/if}

<style>
  div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    align-items: center;
  }

  p {
    color: var(--color-stop);
  }
</style>
