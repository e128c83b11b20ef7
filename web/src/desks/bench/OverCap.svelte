<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import Note from '../../ui/Note.svelte';
  import type { Bench } from './bench.svelte';

  interface Props {
    bench: Bench;
  }
  let { bench }: Props = $props();
  const advice = $derived(bench.preview?.advice.find((one) => one.key === 'over_cap'));
  const strongest = $derived(bench.preview?.cap?.strongest ?? '');
</script>

{#if advice}
  <div class="over" role="alert">
    <Note severity={advice.severity === 'stop' ? 'stop' : 'care'} title={advice.title}>
      {advice.text}
    </Note>
    {#if strongest}
      <Button onclick={() => bench.type('parts', strongest)}>Make it {strongest}</Button>
    {/if}
  </div>
{/if}

<style>
  .over {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-2);
    align-items: center;
  }

  @media (width <= 700px) {
    .over {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
