<script lang="ts">
  // The mark of Dace: a small fish. It has no properties.
</script>

<svg width="42" height="24" viewBox="0 0 46 26" aria-hidden="true">
  <path class="body" d="M2 13C9 3 22 2 33 11l9-7c-1 5-1 13 0 18l-9-7C22 24 9 23 2 13Z" />
  <path class="line" d="M9 14c6 4 14 4 21 0" />
  <circle cx="9.5" cy="11" r="1.7" />
</svg>

<style>
  .body {
    fill: var(--color-rim);
  }

  .line {
    fill: none;
    stroke: var(--color-ground);
    stroke-width: 1.6;
  }

  circle {
    fill: var(--color-ground);
  }
</style>
