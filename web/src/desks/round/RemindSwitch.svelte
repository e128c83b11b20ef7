<!-- Reminders by the browser: off until they are asked for. -->
<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import { QUIET, remind } from './remind.svelte';

  const title = `Once a day while Dace is open in the background; never from ${QUIET.from}:00 to ${QUIET.to}:00`;
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
