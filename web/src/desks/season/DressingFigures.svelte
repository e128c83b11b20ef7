<script lang="ts">
  import type { Schemas } from '../../api/client';
  import Note from '../../ui/Note.svelte';

  const { found }: { found: Schemas['DressingOut'] } = $props();
</script>

<!-- A dry dose said in every way, what comes out of it by when, and how that was got. -->
<ul class="ways" aria-label="The same in other ways">
  {#each found.ways as way (way.kind)}<li>{way.text}</li>{/each}
</ul>
<p>
  <b>Nitrogen for each plant:</b>
  {found.out_by.map((one) => one.text).join(', ')}.
  <span class="soft">{found.cooler}</span>
</p>
{#if found.stock_after_text}<p class="soft">{found.stock_after_text}</p>{/if}
<details>
  <summary>How this was got</summary>
  <ul class="steps">
    {#each found.working as step (step.what)}
      <li>
        {step.what}: {step.expression} = <b>{step.text} {step.unit}</b> <i>{step.source}</i>
      </li>
    {/each}
  </ul>
</details>
{#each found.advice as advice (advice.key)}
  <Note severity={advice.severity} title={advice.title} source={advice.source}>{advice.text}</Note>
{/each}

<style>
  .soft,
  i {
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-style: normal;
  }

  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .ways li {
    padding: 2px var(--space-2);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
    font-size: var(--text-s);
  }

  .steps {
    margin: 0;
    padding-left: var(--space-4);
    font-size: var(--text-s);
  }

  summary {
    min-height: var(--touch);
    padding-top: var(--space-3);
    color: var(--color-rim);
    cursor: pointer;
  }
</style>
