<script lang="ts">
  import type { components } from '../api/schema';

  interface Props {
    brews: components['schemas']['BrewDueOut'][];
  }

  const { brews }: Props = $props();
</script>

<!-- Brews with a step to do today, below the path (beside it on a phone). -->
{#if brews.length}
  <p aria-hidden="true">In the shed today</p>
  <ul aria-label="In the shed today">
    {#each brews as brew (brew.id)}
      <li>
        <a href="/shelf/brew?brew={brew.id}"><b>{brew.name}</b><span>{brew.text}</span></a>
      </li>
    {/each}
  </ul>
{/if}

<style>
  p {
    margin: var(--space-3) 0 var(--space-1) var(--space-3);
    color: var(--color-text-soft);
    font: 550 var(--text-s) / 1.4 var(--face-text);
    letter-spacing: 0;
  }

  ul {
    margin: 0 0 var(--space-3);
    padding: 0;
    list-style: none;
  }

  a {
    display: grid;
    min-height: var(--touch);
    padding: var(--space-1) var(--space-3);
    border-left: 4px solid var(--color-care);
    color: inherit;
    font-size: var(--text-s);
    line-height: 1.25;
    text-decoration: none;
  }

  span {
    color: var(--color-text-soft);
  }

  @media (width <= 1000px) {
    p {
      display: none;
    }

    ul {
      display: flex;
      gap: var(--space-2);
      margin: 0;
      padding: 0 var(--space-4) var(--space-2);
      overflow-x: auto;
    }

    li {
      flex: none;
    }
  }
</style>
