<script lang="ts">
  import { lookOf } from './kinds';

  interface Props {
    kind: string;
  }
  const { kind }: Props = $props();

  const look = $derived(lookOf(kind));
</script>

<svg
  class={look.tone}
  class:hollow={look.hollow}
  width="14"
  height="14"
  viewBox="0 0 16 16"
  aria-hidden="true"
>
  <path d={look.shape} />
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
