<!-- Rows that cannot be read, and why; a name that leads nowhere can be said to be a place. -->
<script lang="ts">
  import { counted } from '../../ui/language';
  import type { Schemas } from '../../api/client';
  import Choice from '../../ui/Choice.svelte';

  interface Props {
    looked: Schemas['LookedOut'];
    onplace: (name: string, id: string) => void;
  }
  const { looked, onplace }: Props = $props();
  const places = $derived([
    { value: '', name: 'none of these: leave its rows out' },
    ...looked.places.map((place) => ({ value: place.id, name: place.name })),
  ]);
  const rows = (count: number) => counted(count, 'row');
</script>

{#if looked.unknown.length && looked.places.length}
  <div class="names">
    {#each looked.unknown as name (name.name)}
      <Choice
        label="“{name.name}” ({rows(name.rows)}) is"
        labelled
        value=""
        options={places}
        onchange={(id) => id && onplace(name.name, id)}
      />
    {/each}
  </div>
{/if}
{#if looked.why.length}
  <details open={looked.why.length <= 8}>
    <summary>{rows(looked.broken)} that cannot be read, and why</summary>
    <ol>
      {#each looked.why as one (one.row)}<li value={one.row}>{one.text}</li>{/each}
    </ol>
    {#if looked.broken > looked.why.length}
      <p>The first {looked.why.length} are shown.</p>
    {/if}
  </details>
{/if}

<style>
  .names {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
    gap: var(--space-3);
  }

  summary {
    min-height: var(--touch);
    padding: var(--space-2) 0;
    cursor: pointer;
  }

  ol {
    margin: 0;
    padding-left: 3.5em;
  }
</style>
