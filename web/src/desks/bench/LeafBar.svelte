<!-- The one thing to press: it was sprayed. -->
<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import ActBar from './ActBar.svelte';
  import type { Spraying } from './spraying.svelte';

  const { spraying }: { spraying: Spraying } = $props();
  const spray = $derived(spraying.spray);
  const stand = $derived(garden.stand);
  const leaves = $derived(spraying.hours.data?.routes.find((one) => one.route === 'leaves'));
  const open = $derived(leaves?.hours[spraying.hours.data?.now ?? 0]?.open ?? true);
  const fine = $derived(open && spray !== null && !spray.over);
  const words = $derived.by(() => {
    if (spraying.write.busy) return 'Writing it down…';
    const much = `${spray?.mix.text ?? '–'} L on ${spray?.counted ?? ''}`;
    return fine ? `Sprayed ${much}` : `Write it down anyway: ${much}`;
  });

  async function sprayIt() {
    const looked = fine;
    // a press right after a number was typed is of that number
    await spraying.worked.settled();
    if (spraying.problem || spray?.short) return;
    if (looked && !fine) return; // too strong as it turns out: the button says so now
    void spraying.send();
  }
</script>

<ActBar>
  <Message problem={spraying.write.problem} />
  {#if stand && spray}
    <Button
      writes
      look={fine ? 'go' : 'plain'}
      disabled={spraying.write.busy || spray.short || spraying.problem !== null}
      onclick={sprayIt}
    >
      {words}
    </Button>
    <p>
      {#if spray.short}
        <strong>The jar does not hold enough.</strong>
      {:else}
        {#if leaves && !open}<b>{leaves.text}</b>{/if}
        The jar has {spray.sources[0]?.stock_after_text} left after. Try two leaves first; not again within
        ten days.
      {/if}
    </p>
  {:else if !stand}
    <p><b>Choose a stop along the path</b> to see what its leaves would take.</p>
  {:else}
    <p>Say a strength that can be read, and write it down from here.</p>
  {/if}
</ActBar>
