<script lang="ts">
  import { onMount } from 'svelte';
  import { Router } from 'sv-router';
  import { route } from './router';
  import { remind } from '../desks/round/remind.svelte';
  import { round } from '../desks/round/round.svelte';
  import ScoreSheet from '../desks/looks/ScoreSheet.svelte';
  import ReadingSheet from '../desks/notebook/ReadingSheet.svelte';
  import Button from '../ui/Button.svelte';
  import { away } from './away/away.svelte';
  import { installed } from './away/installed.svelte';
  import NewVersion from './away/NewVersion.svelte';
  import { prepareSoon } from './away/prepare';
  import { watchFocus } from './focus';
  import FindSheet from './FindSheet.svelte';
  import { garden } from './garden.svelte';
  import KeysHelp from './KeysHelp.svelte';
  import { keys } from './keys.svelte';
  import LapsedSheet from './LapsedSheet.svelte';
  import PathRail from './PathRail.svelte';
  import ThumbBar from './ThumbBar.svelte';
  import TopBar from './TopBar.svelte';
  import UndoBar from './UndoBar.svelte';
  import { watchPulse } from './pulse';
  import { follow } from './resource.svelte';
  import { working } from './working.svelte';
  import WorkingPane from './WorkingPane.svelte';

  let desk: HTMLElement | undefined = $state();

  onMount(() => {
    watchFocus();
    void garden.load();
    void installed.begin();
    away.names = garden.nameOf;
    away.onsent = () => garden.changed();
    const stopPulse = watchPulse();
    const stopReminding = remind.watch(async () => {
      await round.load();
      return round.today.data;
    });
    return () => {
      stopPulse();
      stopReminding();
    };
  });

  // What a walk without a connection wants is read ahead whenever something has changed.
  follow(
    () => [garden.version, garden.stops.length],
    () => prepareSoon(),
  );

  // A page begins at its top, however far down the last one was read.
  $effect(() => {
    if (!route.pathname) return;
    desk?.scrollTo({ top: 0 });
    window.scrollTo({ top: 0 }); // where it is the window that scrolls
  });
</script>

<svelte:window onkeydown={keys.press} />

<a class="skip" href="#desk">To the desk</a>
<div class="shell" class:folded={working.folded}>
  <TopBar />
  <PathRail />
  <main id="desk" tabindex="-1" bind:this={desk}>
    {#if garden.problem && !garden.path}
      <div class="trouble">
        <h1>The path did not load</h1>
        <p>{garden.problem.message}</p>
        <Button look="go" onclick={() => garden.load()}>Try again</Button>
      </div>
    {:else}
      <Router />
    {/if}
  </main>
  <WorkingPane />
  <ThumbBar />
</div>
<NewVersion />
<UndoBar />
<KeysHelp />
<FindSheet />
<LapsedSheet />
<ScoreSheet bind:open={keys.looksOpen} />
<ReadingSheet subjectId={keys.readingOf} bind:open={keys.readingOpen} />

<style>
  .shell {
    display: grid;
    grid-template: 84px minmax(0, 1fr) / 220px minmax(0, 1fr) 300px;
    grid-template-areas: 'top top top' 'path desk work';
    height: 100dvh;
  }

  .folded {
    grid-template-columns: 220px minmax(0, 1fr) 60px;
  }

  main {
    position: relative; /* labels that are only spoken stay within, and make no second scrollbar */
    grid-area: desk;
    overflow-y: auto;
    border: 1px solid var(--color-line);
    border-top: 3px solid var(--color-rim);
    border-radius: var(--radius) var(--radius) 0 0;
    background: var(--color-panel);
  }

  main:focus {
    outline: none;
  }

  .trouble {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    padding: var(--space-6);
  }

  .skip {
    position: absolute;
    left: -999px;
    display: grid;
    place-items: center;
    min-height: var(--touch);
  }

  .skip:focus {
    left: var(--space-2);
    top: var(--space-2);
    z-index: 3;
    padding: var(--space-2);
    background: var(--color-panel);
  }

  @media print {
    .shell {
      display: block;
      height: auto;
    }

    .shell > :global(:not(main)),
    .skip {
      display: none;
    }

    main {
      border: 0;
      background: none;
    }

    :global(body) {
      background: none;
    }
  }

  @media (width <= 1000px) {
    .shell,
    .folded {
      display: flex;
      flex-direction: column;
      height: auto;
      min-height: 100dvh;
      padding-bottom: 72px;
    }

    main {
      flex: 1;
      overflow: visible;
      border-inline: 0;
      border-radius: 0;
    }
  }
</style>
