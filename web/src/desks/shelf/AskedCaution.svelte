<script lang="ts">
  import type { Schemas } from '../../api/client';
  import Note from '../../ui/Note.svelte';

  interface Props {
    one: Schemas['AdviceOut'];
    /** Keys of what was seen to so far. */
    seenTo: string[];
  }
  let { one, seenTo = $bindable() }: Props = $props();
</script>

<!-- A caution before a brew begins, with a tick where only the gardener can settle it. -->
<Note severity={one.severity} title={one.title} source={one.source}>
  {one.text}
  {#if one.plan_effect === 'confirm'}
    <label>
      <input type="checkbox" value={one.key} bind:group={seenTo} />
      I have seen to it
    </label>
  {/if}
</Note>

<style>
  label {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
    font-weight: 550;
  }

  input {
    width: 22px;
    height: 22px;
    accent-color: var(--color-rim);
  }
</style>
