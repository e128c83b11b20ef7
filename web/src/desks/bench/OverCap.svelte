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
  <div role="alert">
    <Note severity={advice.severity === 'stop' ? 'stop' : 'care'} title={advice.title}>
      {advice.text}
      {#if strongest}
        <span>
          <Button look="quiet" onclick={() => bench.type('parts', strongest)}>
            Make it {strongest}
          </Button>
        </span>
      {/if}
    </Note>
  </div>
{/if}

<style>
  span {
    float: right;
    margin: -8px -12px -8px 0;
  }
</style>
