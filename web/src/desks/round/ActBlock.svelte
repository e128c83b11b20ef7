<!-- Something that is due: what, the one fact that speaks for it, and its button. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Problem } from '../../api/client';
  import Message from '../../ui/Message.svelte';

  interface Props {
    title: string;
    line?: string;
    /** How much it matters: its edge says so. */
    tone?: 'plain' | 'care' | 'stop';
    problem?: Problem | null;
    acts: Snippet;
    children?: Snippet;
  }
  const { title, line = '', tone = 'plain', problem = null, acts, children }: Props = $props();
</script>

<section class={tone} aria-label={title}>
  <div class="say">
    <h2>{title}</h2>
    {#if line}<p>{line}</p>{/if}
    {@render children?.()}
    <Message {problem} />
  </div>
  <div class="acts">{@render acts()}</div>
</section>

<style>
  section {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
    align-items: center;
    padding: var(--space-2) var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  .care,
  .stop {
    border-left: 4px solid var(--color-care);
    border-radius: 0 var(--radius) var(--radius) 0;
  }

  .stop {
    border-left-color: var(--color-stop);
  }

  .say {
    flex: 1 1 240px;
  }

  h2 {
    font-size: var(--text-l);
    line-height: 1.25;
  }

  p {
    color: var(--color-text-soft);
  }

  @media (width <= 700px) {
    .say {
      flex-basis: 180px;
    }

    h2 {
      font-size: 1.0625rem;
    }
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }
</style>
