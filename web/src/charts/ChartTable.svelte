<script lang="ts">
  import type { Table } from './frame';

  interface Props {
    table: Table;
    summary: string;
  }
  const { table, summary }: Props = $props();
</script>

<!-- What a chart shows, as a table to be read line by line. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div role="region" aria-label={summary} tabindex="0">
  <table>
    <caption class="unseen">{summary}</caption>
    <thead>
      <tr>
        {#each table.head as name (name)}<th scope="col">{name}</th>{/each}
      </tr>
    </thead>
    <tbody>
      {#each table.rows as row, index (index)}
        <tr>
          {#each row as cell, column (column)}
            {#if column === 0}<th scope="row">{cell}</th>{:else}<td>{cell}</td>{/if}
          {/each}
        </tr>
      {:else}
        <tr><td colspan={table.head.length}>Nothing yet.</td></tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  div {
    max-height: 420px;
    overflow: auto;
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--text-s);
  }

  th,
  td {
    padding: var(--space-1) var(--space-3);
    border-bottom: 1px solid var(--color-line);
    text-align: left;
    vertical-align: top;
  }

  thead th {
    position: sticky;
    top: 0;
    background: var(--color-panel-low);
  }

  tbody th {
    font-weight: 500;
    white-space: nowrap;
  }
</style>
