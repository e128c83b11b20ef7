<script lang="ts">
  import Note from '../ui/Note.svelte';
  import Cautions from './Cautions.svelte';
  import { onBack } from '../ui/back';
  import { working } from './working.svelte';

  const SMALL = 1000;
  type Severity = 'info' | 'care' | 'stop' | 'school';
  const severity = (word: string) => word as Severity;
  let pane: HTMLElement | undefined = $state();
  let before: Element | null = null;

  // Raised over a small window it is a sheet: it takes the focus, and Escape and Back close it.
  $effect(() => {
    if (!working.raised || innerWidth > SMALL) return;
    before = document.activeElement;
    pane?.querySelector<HTMLElement>('.fold')?.focus();
    const forget = onBack(() => (working.raised = false));
    return () => {
      forget();
      if (before instanceof HTMLElement) before.focus();
    };
  });

  function escape(event: KeyboardEvent) {
    if (event.key !== 'Escape' || !working.raised || innerWidth > SMALL) return;
    event.stopPropagation();
    working.raised = false;
  }

  const open = $derived(working.advice.filter((one) => one.open && !one.seen_on));
  const rest = $derived(working.advice.filter((one) => !open.includes(one)));
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<aside
  bind:this={pane}
  onkeydown={escape}
  class:folded={working.folded}
  class:raised={working.raised}
  aria-label="How we worked it out"
>
  <button
    type="button"
    class="fold"
    aria-expanded={!working.folded}
    onclick={() => {
      working.folded = !working.folded;
      working.raised = false;
    }}
  >
    {working.folded ? 'How we worked it out' : 'Fold away'}
  </button>
  <div class="inside">
    {#if working.shown?.plain}
      <h2>How we worked it out</h2>
      <p>{working.shown.plain}</p>
      {#if working.shown.also}<p class="empty">{working.shown.also}</p>{/if}
    {/if}
    <Cautions advice={open} />
    {#if working.shown}
      {#if !working.shown.plain || working.shown.title !== 'How we worked it out'}
        <h2 class:under={working.shown.plain}>{working.shown.title}</h2>
      {/if}
      <ol>
        {#each working.shown.steps as step, index (index)}
          <li>
            <span class="what">{step.what}</span>
            <b>{step.text} <span class="unit">{step.unit}</span></b>
            {#if step.expression}<span class="sum">{step.expression}</span>{/if}
            {#if step.source}
              <span class="source">
                {step.source}{#if step.confidence}, {step.confidence} confidence{/if}
              </span>
            {/if}
          </li>
        {/each}
      </ol>
    {:else}
      <h2>How we worked it out</h2>
      <p class="empty">Press “how?” beside a number, and its steps stand here.</p>
    {/if}
    {#if rest.length}
      <details class="more">
        <summary>More about handling this</summary>
        <div class="inside">
          <Cautions advice={rest.filter((one) => one.about || one.seen_on)} />
          {#each rest.filter((one) => !one.about && !one.seen_on) as advice (advice.key)}
            <Note severity={severity(advice.severity)} title={advice.title}>{advice.text}</Note>
          {/each}
        </div>
      </details>
    {/if}
  </div>
</aside>

<style>
  aside {
    grid-area: work;
    padding: 0 var(--space-4) var(--space-4);
    overflow-y: auto;
    font-size: 0.9375rem;
  }

  .inside {
    display: grid;
    gap: var(--space-3);
  }

  .folded .inside {
    display: none;
  }

  .fold {
    display: block;
    position: sticky;
    top: 0;
    min-width: var(--touch);
    min-height: var(--touch);
    margin-left: auto;
    padding: 0 var(--space-1);
    border: 0;
    background: none;
    color: var(--color-rim);
    font-size: var(--text-s);
    cursor: pointer;
  }

  .folded .fold {
    width: 100%;
    font-weight: 600;
    writing-mode: vertical-rl;
  }

  h2 {
    font-size: var(--text-l);
  }

  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 var(--space-2);
    padding: 6px 0;
    border-bottom: 1px dashed var(--color-line);
  }

  li b {
    font-weight: 600;
    white-space: nowrap;
  }

  .unit {
    font-weight: 400;
  }

  .sum,
  .source {
    grid-column: 1 / 3;
    font-size: var(--text-s);
    overflow-wrap: anywhere;
  }

  .source,
  .empty {
    color: var(--color-text-soft);
  }

  .under {
    font-size: var(--text-m);
  }

  summary {
    min-height: var(--touch);
    padding-block: var(--space-2);
    color: var(--color-rim);
    cursor: pointer;
  }

  @media (width <= 1000px) {
    aside {
      position: fixed;
      inset: auto 0 64px;
      z-index: 2;
      display: none;
      max-height: calc(100dvh - 64px - 15vh);
      border-top: 3px solid var(--color-rim);
      background: var(--color-panel);
    }

    aside.raised {
      display: block;
    }

    .folded .inside {
      display: grid;
    }

    .folded .fold {
      width: auto;
      writing-mode: horizontal-tb;
    }
  }
</style>
