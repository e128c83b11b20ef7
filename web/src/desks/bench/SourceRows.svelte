<!-- What else goes into the can: sources one after another, or a mix that Dace finds. -->
<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import { garden } from '../../app/garden.svelte';
  import type { Bench } from './bench.svelte';
  import MixPanel from './MixPanel.svelte';
  import SourceRow from './SourceRow.svelte';
  import StopFirst from './StopFirst.svelte';

  const { bench }: { bench: Bench } = $props();
  let picked = $state('');
  let finding = $state(false);
  const left = $derived(bench.beside.left(bench.supplies?.jars ?? [], bench.jarId));
  const options = $derived([
    { value: '', name: 'Pour in another…' },
    ...left.map((jar) => ({ value: jar.id, name: `${jar.name}, ${jar.stock_text} left` })),
  ]);

  function pourIn() {
    const jar = left.find((one) => one.id === picked);
    if (jar) bench.beside.pourIn(jar);
    picked = '';
  }
</script>

<section class="off-paper" aria-label="What else goes into the can">
  {#if bench.beside.rows.length}
    <ol>
      {#each bench.beside.rows as one, index (one.jarId)}
        <SourceRow
          {bench}
          jarId={one.jarId}
          turn={index + 2}
          row={bench.preview?.more.find((row) => row.jar_id === one.jarId)}
        />
      {/each}
    </ol>
    {#if bench.preview}<StopFirst preview={bench.preview} />{/if}
  {/if}
  <div class="add">
    {#if left.length}
      <Choice label="Pour in another" bind:value={picked} {options} />
      {#if picked}<Button writes onclick={pourIn}>Pour it in</Button>{/if}
    {/if}
    {#if garden.stand}
      <Button onclick={() => (finding = !finding)}>{finding ? 'Put away' : 'Find a mix'}</Button>
    {/if}
  </div>
  {#if finding && garden.stand}
    <MixPanel {bench} standId={garden.stand.id} ontake={() => (finding = false)} />
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-2) 22px 0;
  }

  ol {
    display: grid;
    gap: var(--space-1);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .add {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .add > :global(.choice) {
    flex: 1 1 200px;
    max-width: 320px;
  }

  @media (width <= 700px) {
    section {
      padding-inline: var(--space-4);
    }
  }
</style>
