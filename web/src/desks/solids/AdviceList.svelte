<!-- What is to be minded: a mark, a title, and why. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  const { said }: { said: Schemas['AdviceOut'][] } = $props();
</script>

{#if said.length}
  <ul>
    {#each said as one (one.key)}
      <li class={one.severity}>
        <details>
          <summary>{one.title}</summary>
          <p>{one.text}</p>
        </details>
      </li>
    {/each}
  </ul>
{/if}

<style>
  ul {
    display: grid;
    gap: var(--space-1);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    padding: 0 var(--space-3);
    border-left: 4px solid var(--color-edge);
  }

  .care {
    border-left-color: var(--color-care);
  }

  .stop {
    border-left-color: var(--color-stop);
  }

  summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    font-weight: 600;
    line-height: 1.25;
    cursor: pointer;
  }

  p {
    max-width: 60ch;
    padding-bottom: var(--space-2);
    color: var(--color-text-soft);
  }
</style>
