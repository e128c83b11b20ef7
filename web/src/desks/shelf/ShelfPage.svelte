<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Page from '../../ui/Page.svelte';
  import { dateInWords } from '../../ui/time';
  import BrewCard from './BrewCard.svelte';
  import ClaimSheet from './ClaimSheet.svelte';
  import { Goes } from './goes.svelte';
  import HeapCard from './HeapCard.svelte';
  import JarCard from './JarCard.svelte';
  import { suiting } from './suiting';

  const read = new Resource<Schemas['ShelfOut']>();
  const shelf = $derived(read.data);
  const going = new Goes();
  let claimOpen = $state(false);
  const jars = $derived(suiting(shelf?.jars ?? [], garden.verdict));

  follow(
    () => garden.version,
    () => {
      void read.load((signal) => ask(client.GET('/api/shelf', { signal })));
      void going.load();
    },
  );
</script>

<Page
  title="The shelf"
  sub={garden.stop
    ? `what suits ${garden.stop.name} comes first`
    : 'brews in the shed, and what stands ready to pour'}
  of={read}
  waiting="Working out the brews…"
>
  {#snippet acts()}
    <ButtonLink look="go" href="/shelf/begin{garden.search}">Begin a brew</ButtonLink>
    <Button onclick={() => (claimOpen = true)}>Check a claim</Button>
    <ButtonLink href="/setup">Add a jar</ButtonLink>
    <ButtonLink href="/heap">Heap and mixes</ButtonLink>
  {/snippet}
  {#if shelf}
    <h2>On their way</h2>
    {#if shelf.brews.length === 0}
      <p class="soft">Nothing is brewing. A bucket of leaf in water is a beginning.</p>
    {/if}
    <ul class="board">
      {#each shelf.brews as brew (brew.id)}
        <li>
          <BrewCard {brew} goes={going.of(brew.id)} />
        </li>
      {/each}
    </ul>
    {#if shelf.heaps.length}
      <h2>Heaps</h2>
      <ul class="board">
        {#each shelf.heaps as heap (heap.id)}<li><HeapCard {heap} /></li>{/each}
      </ul>
    {/if}
    <h2>Ready to pour or spread</h2>
    {#if jars.length === 0}
      <p class="soft">No jar yet. <a href="/setup">Set one up from its label.</a></p>
    {/if}
    <ul class="board">
      {#each jars as jar (jar.id)}
        <li>
          <JarCard {jar} goes={going.of(jar.id)} />
        </li>
      {/each}
    </ul>
    {#if shelf.past.length}
      <h2>Over</h2>
      <ul class="past">
        {#each shelf.past as brew (brew.id)}
          <li>
            <a href="/shelf/brew?brew={brew.id}">{brew.name}</a>, {brew.method.toLowerCase()},
            {brew.state === 'thrown' ? 'thrown out' : 'strained'}
            {dateInWords(brew.ended_on)}
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
</Page>
<ClaimSheet bind:open={claimOpen} />

<style>
  h2 {
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .board {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
    gap: 0 var(--space-4);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .board li {
    display: grid;
    margin-bottom: var(--space-3);
    border-bottom: 6px solid var(--color-line);
  }

  .past {
    margin: 0;
    padding-left: var(--space-4);
  }

  .past a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }
</style>
