<!-- One's own password once more, where something opens a way in; who has none is not asked. -->
<script lang="ts">
  import { session } from '../app/session.svelte';
  import Field from './Field.svelte';

  let { value = $bindable(), trouble = '' }: { value: string; trouble?: string } = $props();
</script>

{#if session.info?.has_password}
  <Field
    label="Your password once more"
    type="password"
    autocomplete="current-password"
    bind:value
    {trouble}
  />
{/if}
