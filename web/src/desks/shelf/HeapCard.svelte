<script lang="ts">
  import type { Schemas } from '../../api/client';
  import HeapDrawing from '../solids/HeapDrawing.svelte';
  import ShelfItem from './ShelfItem.svelte';

  const { heap }: { heap: Schemas['ShelfHeapOut'] } = $props();
</script>

<!-- A heap on the board: its layers, how far it is, and what it wants. -->
<ShelfItem href="/shelf/heap?heap={heap.id}" due={heap.due.length > 0}>
  <div class="drawing"><HeapDrawing layers={heap.layers} warmth={heap.warmth} quiet /></div>
  <span>
    <b>{heap.name}</b>
    <small>{heap.method}, {heap.days} days</small>
    {#if heap.due.length}
      <strong>Today: {heap.due.join(', ')}</strong>
    {:else}
      <small>{heap.ready}</small>
    {/if}
  </span>
</ShelfItem>

<style>
  .drawing {
    flex: none;
    width: 104px;
  }
</style>
