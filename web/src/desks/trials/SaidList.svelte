<!-- Short lines of a name and how it stands. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  const { title, rows }: { title: string; rows: Schemas['SaidOut'][] } = $props();
</script>

{#if rows.length}
  <div>
    <h3>{title}</h3>
    <ul>
      {#each rows as row, at (at)}
        <li>
          <span>{row.name}</span>
          {#if row.text}
            <b class:against={row.good === false}>
              {row.good === false ? '! ' : ''}{row.text}
            </b>
          {/if}
        </li>
      {/each}
    </ul>
  </div>
{/if}

<style>
  h3 {
    font-size: var(--text-l);
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-3);
    justify-content: space-between;
    padding-block: var(--space-2);
    border-bottom: 1px dashed var(--color-line);
  }

  .against {
    color: var(--color-stop);
  }
</style>
