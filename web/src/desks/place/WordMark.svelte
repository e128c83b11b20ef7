<script lang="ts">
  /** A shape for the word that stands beside it: never colour alone. */
  const { word }: { word: string } = $props();
  const KINDS: Record<string, 'fine' | 'care' | 'stop'> = {
    low: 'care',
    comfortable: 'fine',
    rising: 'care',
    too_salty: 'stop',
    burning: 'stop',
  };
  const kind = $derived(KINDS[word]);
</script>

{#if kind}
  <svg class={kind} width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
    {#if kind === 'fine'}
      <circle cx="9" cy="9" r="8" />
    {:else if kind === 'care'}
      <path d="M9 1 17.5 16.5H.5Z" />
    {:else}
      <path d="M5.5.5h7l5 5v7l-5 5h-7l-5-5v-7Z" />
    {/if}
  </svg>
{/if}

<style>
  svg {
    margin-right: 8px;
    vertical-align: -2px;
  }

  .fine {
    fill: var(--color-go);
  }

  .care {
    fill: var(--color-care);
  }

  .stop {
    fill: var(--color-stop);
  }
</style>
