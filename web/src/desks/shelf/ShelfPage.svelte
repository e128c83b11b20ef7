<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { working } from '../../app/working.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import BrewCard from './BrewCard.svelte';
  import ClaimSheet from './ClaimSheet.svelte';
  import JarCard from './JarCard.svelte';
  import { suiting } from './suiting';

  let shelf = $state<Schemas['ShelfOut'] | null>(null);
  let problem = $state<Problem | null>(null);
  let claimOpen = $state(false);
  const jars = $derived(suiting(shelf?.jars ?? [], garden.stop?.stands[0]?.stage_key ?? ''));
  const active = $derived((shelf?.brews ?? []).filter((brew) => brew.state === 'brewing'));
  const done = $derived((shelf?.brews ?? []).filter((brew) => brew.state !== 'brewing'));

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => (working.folded = false);
  });

  $effect(() => {
    void garden.version;
    untrack(() => void load());
  });

  async function load() {
    const reply = await ask(client.GET('/api/shelf'));
    problem = reply.problem ?? null;
    if (reply.data) shelf = reply.data;
  }
</script>

<section aria-busy={!shelf}>
  <header>
    <div>
      <h1>The shelf</h1>
      <p class="soft">
        {garden.stop
          ? `what suits ${garden.stop.name} comes first`
          : 'brews in the shed, and what stands ready to pour'}
      </p>
    </div>
    <div class="acts">
      <ButtonLink look="go" href="/shelf/begin{garden.search}">Begin a brew</ButtonLink>
      <Button onclick={() => (claimOpen = true)}>Check a claim</Button>
      <ButtonLink href="/setup">Add a jar</ButtonLink>
    </div>
  </header>
  {#if problem}
    <p class="trouble" role="alert">{problem.message}</p>
    <Button onclick={load}>Try again</Button>
  {/if}
  {#if !shelf && !problem}
    <p class="soft">Working out the brews…</p>
    <progress aria-label="Working out the brews"></progress>
  {/if}
  {#if shelf}
    <h2>On their way</h2>
    {#if active.length === 0}
      <p class="soft">Nothing is brewing. A bucket of leaf in water is a beginning.</p>
    {/if}
    <ul class="board">
      {#each active as brew (brew.id)}
        <li>
          <BrewCard {brew} />
        </li>
      {/each}
    </ul>
    <h2>Ready to pour or spread</h2>
    {#if jars.length === 0}
      <p class="soft">No jar yet. <a href="/setup">Set one up from its label.</a></p>
    {/if}
    <ul class="board">
      {#each jars as jar (jar.id)}
        <li>
          <JarCard {jar} />
        </li>
      {/each}
    </ul>
    {#if done.length}
      <h2>Strained before</h2>
      <ul class="past">
        {#each done as brew (brew.id)}
          <li>
            <a href="/shelf/brew?brew={brew.id}">{brew.name}</a>, {brew.method.toLowerCase()}, {brew.day}
            days
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
</section>
<ClaimSheet bind:open={claimOpen} />

<style>
  section {
    display: grid;
    gap: var(--space-3);
    align-content: start;
    padding: var(--space-3) 22px var(--space-8);
  }

  header,
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: flex-start;
    justify-content: space-between;
  }

  h1 {
    font-size: 1.5625rem;
  }

  h2 {
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .trouble {
    color: var(--color-stop);
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

  @media (width <= 700px) {
    section {
      padding-inline: var(--space-4);
    }
  }
</style>
