<!-- The box of a row that ticks. -->
<script lang="ts">
  const { done }: { done: boolean } = $props();
</script>

<svg class:done width="34" height="34" viewBox="0 0 34 34" aria-hidden="true">
  <rect x="2" y="2" width="30" height="30" rx="7" />
  {#if done}<path d="m9 17 6 6 11-13" />{/if}
</svg>

<style>
  rect {
    fill: var(--color-field);
    stroke: var(--color-text);
    stroke-width: 2;
  }

  path {
    fill: none;
    stroke: var(--color-on-go);
    stroke-width: 3.5;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .done rect {
    fill: var(--color-go);
    stroke: var(--color-go);
  }
</style>
