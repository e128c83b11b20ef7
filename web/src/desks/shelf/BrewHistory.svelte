<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { clockTime, dayInWords } from '../../ui/time';

  interface Props {
    brew: Schemas['BrewOut'];
    zone: string;
  }

  const { brew, zone }: Props = $props();
</script>

<!-- The bottles that came of a brew, and what was done with it. -->
{#if brew.bottles.length}
  <h2>Bottles of it</h2>
  <ul>
    {#each brew.bottles as jar (jar.id)}
      <li><a href="/shelf/jar?jar={jar.id}">{jar.name}</a>, {jar.stock_text} left</li>
    {/each}
  </ul>
{/if}
{#if brew.events.length || brew.readings.length}
  <h2>What was done</h2>
  <ul>
    {#each brew.readings as one (one.id)}<li>
        day {Math.floor(one.day)}: read {one.shown}
      </li>{/each}
    {#each brew.events as event (event.id)}
      <li>{dayInWords(event.at, zone)}, {clockTime(event.at, zone)}: {event.text}</li>
    {/each}
  </ul>
{/if}

<style>
  h2 {
    font-size: var(--text-l);
  }

  ul {
    margin: 0;
    padding-left: var(--space-4);
  }

  a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }
</style>
