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
  const ring = $derived(partAt(grown, chosen));
  const marks = $derived([
    ...pointedAt(stage, grown),
    ...(chosen ? [{ d: disc(ring.at, ring.r), line: 'ring' as const, width: 2 }] : []),
  ]);

  /** The part that was pressed on the drawing: the smallest there, or else the nearest. */
  function press(event: MouseEvent & { currentTarget: HTMLElement }) {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = 100 / box.width;
    const [x, y] = [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale + top];
    const near = parts.map((part) => {
      const { at, r } = partAt(grown, part);
      const far = Math.hypot(at[0] - x, at[1] - y);
      return { part, order: far <= r ? r - 1000 : far };
    });
    near.sort((a, b) => a.order - b.order);
    if (near[0]) onchoose(near[0].part);
  }
</script>

<div class="parts">
  <!-- by hand; by key and by voice the names below do the same -->
  <button type="button" class="picture" tabindex="-1" aria-hidden="true" onclick={press}>
    <Plate {marks} {top} size={220} />
  </button>
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
    padding: 0;
    border: 0;
    background: none;
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
