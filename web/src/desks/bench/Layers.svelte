<!-- The sources of a can in the order in which they are poured, told apart by number and hatch. -->
<script lang="ts">
  import type { Bench } from './bench.svelte';

  const { bench }: { bench: Bench } = $props();
  const preview = $derived(bench.preview);
  const rows = $derived(
    preview
      ? [
          { name: bench.jar?.name ?? '', text: `${preview.concentrate.text} ${preview.unit}` },
          ...preview.more.map((one) => ({ name: one.name, text: one.amount_text })),
        ]
      : [],
  );
</script>

<ol aria-label="Poured in this order">
  {#each rows as row, index (row.name)}
    <li>
      <svg width="34" height="20" viewBox="0 0 34 20" aria-hidden="true">
        <rect x="0.5" y="0.5" width="33" height="19" rx="3" />
        {#each rows.slice(0, index + 1) as other, line (other.name)}
          <path d="M{6 + 5 * line} 17 {12 + 5 * line} 3" />
        {/each}
      </svg>
      <span><b>{row.text}</b> {row.name}</span>
    </li>
  {/each}
</ol>

<style>
  ol {
    display: grid;
    gap: 3px;
    margin: 0;
    padding: 0;
    list-style: none;
    font-size: var(--text-s);
    line-height: 1.2;
  }

  li {
    display: flex;
    gap: var(--space-2);
    align-items: center;
  }

  svg {
    flex: none;
  }

  rect {
    fill: var(--color-water);
    stroke: var(--color-text);
  }

  path {
    fill: none;
    stroke: var(--color-text);
    stroke-width: 2;
  }
</style>
