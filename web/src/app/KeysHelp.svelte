<script lang="ts">
  import Sheet from '../ui/Sheet.svelte';
  import { keys } from './keys.svelte';
  import { KEYS } from './keyTexts';
</script>

<Sheet title="Keys and help" bind:open={keys.helpOpen}>
  <p>
    <a href="/help" onclick={() => (keys.helpOpen = false)}>The guide, page by page</a>
    <a href="/help?page=last" onclick={() => (keys.helpOpen = false)}>A practice can</a>
  </p>
  <dl>
    {#each KEYS as [key, what] (key)}
      <dt><kbd>{key}</kbd></dt>
      <dd>{what}</dd>
    {/each}
  </dl>
  <label>
    <input
      type="checkbox"
      checked={keys.on}
      onchange={(event) => keys.turn(event.currentTarget.checked)}
    />
    Single keys act
  </label>
  <p>On the Bench arrows move the level a little, Page Up and Down a lot.</p>
</Sheet>

<style>
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: var(--space-2) var(--space-4);
    margin: 0 0 var(--space-3);
  }

  dd {
    margin: 0;
  }

  a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
    margin-right: var(--space-4);
  }

  label {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  input {
    width: 22px;
    height: 22px;
    accent-color: var(--color-rim);
  }

  kbd {
    padding: 2px 8px;
    border: 1px solid var(--color-edge);
    border-radius: 6px;
    font: 600 var(--text-m) / 1.4 var(--face-text);
    white-space: pre;
  }
</style>
