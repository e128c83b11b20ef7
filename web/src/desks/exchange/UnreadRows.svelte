<!-- Rows that cannot be read, and why; a name that leads nowhere can be said to be a place or a jar. -->
<script lang="ts">
  import { counted } from '../../ui/language';
  import type { Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import type { NotebookFile } from './notebookFile.svelte';

  interface Props {
    looked: Schemas['LookedOut'];
    table: NotebookFile;
  }
  const { looked, table }: Props = $props();
  const rows = (count: number) => counted(count, 'row');
  const guessed = $derived([...looked.unknown, ...looked.feeds].filter((one) => one.guess));
  const choices = (some: Schemas['PlaceChoiceOut'][]) => [
    { value: '', name: 'none of these: leave its rows out' },
    ...some.map((one) => ({ value: one.id, name: one.name })),
  ];
</script>

{#snippet names(
  unknown: Schemas['PlaceNameOut'][],
  some: Schemas['PlaceChoiceOut'][],
  onsaid: (name: string, id: string) => void,
)}
  {#if unknown.length && some.length}
    <div class="names">
      {#each unknown as name (name.name)}
        <Choice
          label="“{name.name}” ({rows(name.rows)}) is"
          labelled
          value=""
          options={choices(some)}
          onchange={(id) => id && onsaid(name.name, id)}
        />
      {/each}
    </div>
  {/if}
{/snippet}

{#if guessed.length}
  <div class="care" role="status">
    <p>These names are doubtful:</p>
    <ul>
      {#each guessed as one, at (at)}
        <li>“{one.name}” is {one.guessed} ({rows(one.rows)})</li>
      {/each}
    </ul>
    <Button onclick={() => void table.sayGuesses()}>Yes, all of these</Button>
  </div>
{/if}
{@render names(looked.unknown, looked.places, (name, id) => void table.sayPlace(name, id))}
{@render names(looked.feeds, looked.jars, (name, id) => void table.sayFeed(name, id))}
{#if looked.past.length}
  <div class="care" role="status">
    <p>These crops were over before they came here:</p>
    <ul>
      {#each looked.past as line (line)}<li>{line}</li>{/each}
    </ul>
    <Button onclick={() => void table.sayPast()}>Begin and end them so</Button>
  </div>
{/if}
{#if looked.skipped.length}
  <details>
    <summary>{rows(looked.skipped.length)} that are no entries: left out</summary>
    <ol>
      {#each looked.skipped as one (one.row)}<li value={one.row}>{one.text}</li>{/each}
    </ol>
  </details>
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

  .care {
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
  }

  ul {
    margin: 0 0 var(--space-2);
    padding-left: 1.2em;
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
