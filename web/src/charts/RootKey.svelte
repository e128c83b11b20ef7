<script lang="ts">
  // a key has no state of its own
</script>

<!-- What the marks of a root-zone chart stand for. -->
<p>
  <span><i class="swatch comfort-key"></i>comfortable</span>
  <span><i class="swatch band-key"></i>expected, dotted ahead</span>
  <span><i class="dot"></i>read, hollow where doubted</span>
  <span>drops: fed (filled) or plain water (open); bars: rain</span>
</p>

<style>
  p {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-4);
    margin: var(--space-1) 0 0;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .swatch {
    display: inline-block;
    width: 18px;
    height: 12px;
    margin-right: 6px;
    border: 1px solid var(--color-edge);
  }

  .comfort-key {
    background: var(--color-wish);
  }

  .band-key {
    background: var(--color-rim-pale);
  }

  .dot {
    display: inline-block;
    width: 12px;
    height: 12px;
    margin-right: 6px;
    border-radius: 50%;
    background: var(--color-stop);
  }
</style>
