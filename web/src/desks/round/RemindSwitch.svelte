<!-- Reminders by the browser: off until they are asked for. -->
<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import { remind } from './remind.svelte';

  const title = 'Once an evening on which something is due, while Dace is open in the background';
</script>

{#if remind.possible}
  <Button aria-pressed={remind.on} {title} onclick={() => remind.turn(!remind.on)}>
    {remind.on ? 'Reminders on' : 'Remind me'}
  </Button>
  {#if remind.refused}
    <span role="status">This browser does not let Dace remind you: allow it in its settings.</span>
  {/if}
{/if}

<style>
  span {
    color: var(--color-care);
    font-size: var(--text-s);
  }
</style>
