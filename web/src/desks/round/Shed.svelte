<!-- Brews with something to do today. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  const { shed }: { shed: Schemas['RoundShedOut'][] } = $props();
</script>

{#if shed.length}
  <section aria-labelledby="shed">
    <h2 id="shed">In the shed</h2>
    <ul>
      {#each shed as brew (brew.id)}
        <li>
          <a href="/shelf/brew?brew={brew.id}"><b>{brew.name}</b> {brew.steps.join(', ')}</a>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  h2 {
    margin-bottom: var(--space-1);
    font-size: var(--text-l);
  }

  ul {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  a {
    display: block;
    min-height: var(--touch);
    padding: 10px var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    color: inherit;
    text-decoration: none;
  }
</style>
