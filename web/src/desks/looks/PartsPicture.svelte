<!-- The plant as it stands, and its parts to press: on the drawing by hand, below it by key. -->
<script lang="ts">
  import Plate from '../../drawings/plants/Plate.svelte';
  import { partAt, topOf, type Grown } from '../../drawings/plants/plant';
  import { disc } from '../../drawings/plants/shape';
  import { pointedAt } from '../../drawings/plants/stage';

  interface Props {
    grown: Grown;
    stage: string;
    parts: string[];
    chosen: string;
    onchoose: (part: string) => void;
  }
  const { grown, stage, parts, chosen, onchoose }: Props = $props();
  const top = $derived(topOf(grown));
  const down = (y: number) => (100 * (y - top)) / (100 - top);
  const ring = $derived(partAt(grown, chosen));
  const marks = $derived([
    ...pointedAt(stage, grown),
    ...(chosen ? [{ d: disc(ring.at, ring.r), line: 'ring' as const, width: 2 }] : []),
  ]);
  // what is small lies over what is large
  const spots = $derived(
    parts.map((part) => ({ part, ...partAt(grown, part) })).sort((a, b) => b.r - a.r),
  );
</script>

<div class="parts">
  <div class="picture">
    <Plate {marks} {top} size={220} />
    {#each spots as { part, at, r } (part)}
      <button
        type="button"
        class="spot"
        tabindex="-1"
        aria-hidden="true"
        title={part}
        style:left="{at[0]}%"
        style:top="{down(at[1])}%"
        style:width="{2 * r}%"
        onclick={() => onchoose(part)}
      ></button>
    {/each}
  </div>
  <div class="names" role="group" aria-label="Where on the plant?">
    {#each parts as part (part)}
      <button type="button" aria-pressed={chosen === part} onclick={() => onchoose(part)}>
        {part}
      </button>
    {/each}
  </div>
</div>

<style>
  .parts {
    display: grid;
    gap: var(--space-3);
    align-content: start;
    justify-items: center;
  }

  .picture {
    position: relative;
    width: 220px;
  }

  .spot {
    position: absolute;
    min-width: var(--touch);
    min-height: var(--touch);
    padding: 0;
    border: 0;
    aspect-ratio: 1;
    border-radius: 50%;
    background: none;
    transform: translate(-50%, -50%);
    cursor: pointer;
  }

  .names {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .names button {
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-round);
    background: none;
    cursor: pointer;
  }

  .names button::first-letter {
    text-transform: uppercase;
  }

  .names button[aria-pressed='true'] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
    box-shadow: inset 0 0 0 1px var(--color-rim);
  }
</style>
