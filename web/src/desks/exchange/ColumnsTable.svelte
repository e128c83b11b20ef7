<!-- How each column of a table is read: what it is, and its unit. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    looked: Schemas['LookedOut'];
    oncolumn: (index: number, key: string) => void;
    onunit: (key: string, unit: string) => void;
  }
  const { looked, oncolumn, onunit }: Props = $props();
  const units = (key: string) => looked.wanted.find((one) => one.key === key)?.units ?? [];
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex (a wide table scrolls by keyboard) -->
<div class="wide" role="region" aria-label="Columns of the table" tabindex="0">
  <table>
    <thead>
      <tr><th>Column</th><th>is read as (* is needed)</th><th>in</th><th>for example</th></tr>
    </thead>
    <tbody>
      {#each looked.columns as column (column.index)}
        <tr class:unread={!column.key}>
          <th scope="row">{column.head || `column ${column.index + 1}`}</th>
          <td>
            <select
              aria-label="{column.head || `column ${column.index + 1}`} is read as"
              value={column.key}
              onchange={(event) => oncolumn(column.index, event.currentTarget.value)}
            >
              <option value="">nothing: passed over</option>
              {#each looked.wanted as wanted (wanted.key)}
                <option value={wanted.key}>{wanted.name}{wanted.needed ? ' *' : ''}</option>
              {/each}
            </select>
          </td>
          <td>
            {#if units(column.key).length}
              <select
                aria-label="Unit of {column.head}"
                value={column.unit}
                onchange={(event) => onunit(column.key, event.currentTarget.value)}
              >
                <option value="">as each cell says</option>
                {#each units(column.key) as unit (unit)}
                  <option value={unit}>{unit.replace('uS', 'µS')}</option>
                {/each}
              </select>
            {/if}
          </td>
          <td class="samples">{column.samples.filter(Boolean).join(' · ')}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .wide {
    overflow-x: auto;
  }

  table {
    width: 100%;
    border-collapse: collapse;
    text-align: left;
  }

  th,
  td {
    padding: var(--space-1) var(--space-3) var(--space-1) 0;
    border-bottom: 1px solid var(--color-line);
    vertical-align: middle;
  }

  thead th {
    color: var(--color-text-soft);
    font-weight: 550;
    font-size: var(--text-s);
  }

  .unread th {
    color: var(--color-text-soft);
    font-weight: 400;
  }

  select {
    min-height: var(--touch);
    max-width: 300px;
    padding: 0 var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel);
    color: inherit;
    font: inherit;
  }

  .samples {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
