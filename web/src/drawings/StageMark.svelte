<script lang="ts">
  interface Props {
    /** Which drawing: sprout, leaf, flower, fruit, basket, root or rest. */
    kind: string;
  }
  let { kind }: Props = $props();
</script>

<svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
  {#if kind === 'sprout'}
    <path class="stem" d="M13 24v-9" />
    <path class="leaf" d="M13 15c-6 1-8-2-9-5 5-1 8 1 9 5Zm0 0c0-4 3-6 8-5-1 4-3 6-8 5Z" />
  {:else if kind === 'leaf'}
    <path class="stem" d="M13 24V8" />
    <path
      class="leaf"
      d="M13 20c-5 1-8-1-9-5 5-1 8 1 9 5Zm0-3c5 0 8-2 9-6-5 0-8 2-9 6Zm0-7C9 9 9 5 12 2c3 3 3 6 1 8Z"
    />
  {:else if kind === 'flower'}
    <path class="stem" d="M13 24V13" />
    <path class="leaf" d="M13 22c-4 0-6-2-7-4 4-1 6 1 7 4Z" />
    <path class="petal" d="M13 9m-3-3a3 3 0 1 1 6 0 3 3 0 1 1 1 6 3 3 0 1 1-8 0 3 3 0 1 1 1-6Z" />
    <circle class="eye" cx="13" cy="9" r="2" />
  {:else if kind === 'fruit'}
    <path class="stem" d="M13 9c0-3 1-5 4-6" />
    <path class="fruit" d="M13 9c-6-1-8 3-7 7s4 7 7 7 6-3 7-7-1-8-7-7Z" />
    <path class="leaf" d="M13 9c-3-4-6-3-7-2 2 2 4 3 7 2Z" />
  {:else if kind === 'basket'}
    <path class="stem" d="M5 13C6 4 20 4 21 13" />
    <path class="fruit" d="M8 13a3 3 0 0 1 5-2 3 3 0 0 1 5 2Z" />
    <path class="weave" d="M3 13h20l-3 10H6Zm3 4h14M5 20h16" />
  {:else if kind === 'root'}
    <path class="leaf" d="M13 9C9 8 9 4 10 2c3 1 4 4 3 7Zm0 0c0-3 2-5 5-5 0 3-2 5-5 5Z" />
    <path class="fruit" d="M13 9c-5 0-6 4-5 7 1 4 4 6 5 9 1-3 4-5 5-9 1-3 0-7-5-7Z" />
  {:else}
    <path class="stem" d="M13 24v-8c0-4-3-5-6-4" />
    <path class="weave" d="M7 12c-3 1-4 4-3 6 3 0 4-3 3-6Z" />
    <path class="stem" d="M5 24h16" />
  {/if}
</svg>

<style>
  .stem,
  .weave {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 1.6;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .leaf {
    fill: var(--color-wish-edge);
  }

  .petal {
    fill: var(--color-rim-pale);
    stroke: var(--color-text);
  }

  .eye {
    fill: var(--color-care);
  }

  .fruit {
    fill: var(--color-stop);
  }
</style>
