<script lang="ts">
  import type { Schemas } from '../api/client';

  interface Props {
    kind: Schemas['VerdictOut']['kind'];
  }
  const { kind }: Props = $props();

  /** A shape for each kind, so that it is never told by colour alone. */
  const SHAPES: Record<Props['kind'], string> = {
    flush: 'M5 1h6l4 4v6l-4 4H5l-4-4V5z',
    water: 'M8 1.5c3 4 5 6.4 5 8.8a5 5 0 0 1-10 0c0-2.4 2-4.8 5-8.8z',
    look: 'M1 8q7-9 14 0q-7 9-14 0zM6 8a2 2 0 1 0 4 0a2 2 0 1 0-4 0',
    feed: 'M8 1.5c3 4 5 6.4 5 8.8a5 5 0 0 1-10 0c0-2.4 2-4.8 5-8.8z',
    dress: 'M3 6h2v2H3zM7 3h2v2H7zM11 6h2v2h-2zM5 10h2v2H5zM10 11h2v2h-2z',
    wait: 'M4 1.5h8L8.8 8l3.2 6.5H4L7.2 8z',
    enough: 'M2 8l4 5 8-10',
    rest: 'M2 8h12',
  };
  const GROUP: Record<Props['kind'], string> = {
    flush: 'stop',
    water: 'stop',
    look: 'care',
    feed: 'go',
    dress: 'go',
    wait: 'calm',
    enough: 'calm',
    rest: 'calm',
  };
  const hollow = $derived(['enough', 'rest', 'look', 'wait', 'water'].includes(kind));
</script>

<svg class={GROUP[kind]} class:hollow width="14" height="14" viewBox="0 0 16 16" aria-hidden="true">
  <path d={SHAPES[kind]} />
</svg>

<style>
  svg {
    flex: none;
    fill: currentcolor;
    stroke: currentcolor;
    stroke-width: 1.5;
  }

  .hollow {
    fill: none;
    stroke-width: 2;
  }

  .go {
    color: var(--color-go);
  }

  .care {
    color: var(--color-care);
  }

  .stop {
    color: var(--color-stop);
  }

  .calm {
    color: var(--color-text-soft);
  }
</style>
