<script lang="ts">
  import Note from '../ui/Note.svelte';
  import Cautions from './Cautions.svelte';
  import { working } from './working.svelte';

  type Severity = 'info' | 'care' | 'stop' | 'school';
  const severity = (word: string) => word as Severity;
  const grave = $derived(working.advice.filter((one) => ['care', 'stop'].includes(one.severity)));
  const mild = $derived(working.advice.filter((one) => !grave.includes(one)));
</script>

<aside class:folded={working.folded} class:raised={working.raised} aria-label="How this was got">
  <button
    type="button"
    class="fold"
    aria-expanded={!working.folded}
    onclick={() => {
      working.folded = !working.folded;
      working.raised = false;
    }}
  >
    {working.folded ? 'How this was got' : 'Fold away'}
  </button>
  <div class="inside">
    <Cautions advice={grave} />
    {#if working.shown}
      <h2>{working.shown.title}</h2>
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
      <h2>How this was got</h2>
      <p class="empty">Press “how?” beside a number, and its steps stand here.</p>
    {/if}
    {#each mild as advice (advice.key)}
      <Note severity={severity(advice.severity)} title={advice.title}>{advice.text}</Note>
    {/each}
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
    min-height: 32px;
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
    color: var(--color-text-soft);
    font-size: var(--text-s);
    overflow-wrap: anywhere;
  }

  .sum {
    color: var(--color-text);
  }

  .empty {
    color: var(--color-text-soft);
  }

  @media (width <= 1000px) {
    aside {
      position: fixed;
      inset: auto 0 64px;
      z-index: 2;
      display: none;
      max-height: 65dvh;
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
