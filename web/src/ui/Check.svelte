<!-- Something that is so or not, said in a press of a thumb. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    checked: boolean;
    children: Snippet;
  }
  let { checked = $bindable(), children }: Props = $props();
</script>

<label><input type="checkbox" bind:checked /> <span>{@render children()}</span></label>

<style>
  label {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  input {
    flex: none;
    width: 24px;
    height: 24px;
  }
</style>
