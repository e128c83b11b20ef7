<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { dateShort } from './strips';

  interface Props {
    page: Schemas['PlantingOut'];
  }
  let { page }: Props = $props();
  const at = $derived(page.stages.findIndex((stage) => stage.key === page.stage_key));

  /** When it began or is likely to begin, as a range. */
  function when(stage: Schemas['StageBandOut']): string {
    const low = dateShort(stage.low);
    const high = dateShort(stage.high);
    return low === high ? low : `${low} to ${high}`;
  }
</script>

<ol>
  {#each page.stages as stage, index (stage.key)}
    <li class:past={index < at} aria-current={index === at ? 'step' : undefined}>
      <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
        {#if stage.seen}
          <circle class="seen" cx="9" cy="9" r="7" />
          <path class="tick" d="M5 9l3 3 5-6" />
        {:else}
          <circle class="open" cx="9" cy="9" r="6.5" />
        {/if}
      </svg>
      <div>
        <b>{stage.words}</b>
        <span
          >{stage.seen ? 'seen, began' : index <= at ? 'likely began' : 'expected'}
          {when(stage)}</span
        >
        <span class="cue">{stage.cue}</span>
      </div>
    </li>
  {/each}
</ol>

<style>
  ol {
    display: grid;
    gap: var(--space-1);
    align-content: start;
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    gap: var(--space-3);
    padding: var(--space-2);
    border-left: 3px solid var(--color-line);
  }

  li[aria-current] {
    border-color: var(--color-rim);
    border-radius: 0 var(--radius) var(--radius) 0;
    background: var(--color-rim-tint);
  }

  svg {
    flex: none;
    margin-top: 2px;
  }

  b,
  span {
    display: block;
  }

  b::first-letter {
    text-transform: uppercase;
  }

  span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .past .cue {
    display: none;
  }

  .open {
    fill: none;
    stroke: var(--color-edge);
    stroke-width: 2;
  }

  .seen {
    fill: var(--color-go);
  }

  .tick {
    fill: none;
    stroke: var(--color-on-go);
    stroke-width: 2;
  }
</style>
