<script lang="ts">
  import { tables } from '../app/tables.svelte';
</script>

<!-- Turns every chart into a table and back, as the key t does. -->
<button type="button" aria-pressed={tables.on} title="Key: t" onclick={tables.turn}>
  {tables.on ? 'Charts as charts' : 'Charts as tables'}
</button>

<style>
  button {
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    font-size: var(--text-s);
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }

  @media print {
    button {
      display: none;
    }
  }
</style>
