<!-- A stop to dress with something dry, in one press. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import ActBlock from './ActBlock.svelte';
  import { round } from './round.svelte';

  const { dress }: { dress: Schemas['RoundDressOut'] } = $props();
  const key = $derived(`dress ${dress.fill_id}`);
  const write = $derived(round.write(key));
</script>

<ActBlock title="{dress.name}: {dress.portion.text}" line={dress.reason} problem={write.problem}>
  {#snippet acts()}
    <Button writes look="go" disabled={write.busy} onclick={() => round.spread(key, dress)}
      >Spread</Button
    >
  {/snippet}
</ActBlock>
