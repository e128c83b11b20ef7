<script lang="ts">
  import type { Schemas } from '../../api/client';
  import JarDrawing from '../../drawings/JarDrawing.svelte';
  import ShelfItem from './ShelfItem.svelte';

  interface Props {
    brew: Schemas['ShelfBrewOut'];
    goes: Schemas['GoesOut'] | undefined;
  }
  const { brew, goes }: Props = $props();
  const due = $derived(brew.next.filter((step) => step.due));
</script>

<ShelfItem href="/shelf/brew?brew={brew.id}" due={due.length > 0}>
  <JarDrawing share={0.78} kind="vessel" working leafy={brew.leafy} ripe={brew.ripe} />
  <span>
    <b>{brew.name}</b>
    <small>{brew.method}, day {brew.day}</small>
    {#if due.length}
      <strong>Today: {due.map((step) => step.words).join(', ')}</strong>
    {:else}
      <small>{brew.ready_text}</small>
    {/if}
    {#if goes}<small>{goes.text}</small>{/if}
  </span>
</ShelfItem>
