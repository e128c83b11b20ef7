<script lang="ts">
  // a key has no state of its own
</script>

<!-- What the marks of the strips mean. -->
<p>
  <span><i class="edge"></i> start seen</span>
  <span><i class="whisker"></i> start expected, 8 in 10</span>
  <span>drop: a feed, sized by its nitrogen; hollow: to come, press it to see why</span>
  <span>dish: a dry feed</span>
</p>

<style>
  p {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-4);
    padding: var(--space-1) 0 0 10px;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  i {
    display: inline-block;
  }

  .edge {
    width: 3px;
    height: 14px;
    background: var(--color-text);
    vertical-align: -2px;
  }

  .whisker {
    width: 16px;
    height: 6px;
    border: solid var(--color-edge);
    border-width: 0 1.5px;
    background: linear-gradient(var(--color-edge), var(--color-edge)) center / 100% 1.5px no-repeat;
    vertical-align: 1px;
  }
</style>
