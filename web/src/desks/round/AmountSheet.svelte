<!-- Half, none, her own amount, or some more: what was done of one stop. -->
<script lang="ts">
  import { volume } from '../../app/measures';
  import { undo } from '../../app/undo.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import StepBox from '../../ui/StepBox.svelte';
  import { round, type How, type RoundCan, type RoundRow } from './round.svelte';

  interface Props {
    can: RoundCan;
    row: RoundRow;
    open: boolean;
  }
  let { can, row, open = $bindable() }: Props = $props();
  let litres = $state(0);
  const write = $derived(round.write(row.fill_id));
  const done = $derived(row.done.length > 0);
  const step = $derived(row.litres_each > 1 ? 0.25 : row.litres_each > 0.2 ? 0.1 : 0.01);

  $effect(() => {
    if (open) litres = row.litres_each;
  });

  async function tick(how: How, each: number | null = null) {
    if (await round.tick(can, row, how, each)) open = false;
  }

  function type(text: string) {
    const read = Number.parseFloat(text.replace(',', '.'));
    if (read > 0) litres = read;
  }

  async function back(change: number) {
    open = false;
    await undo.take(change);
  }
</script>

<Sheet title={row.name} bind:open>
  <div>
    {#if done}
      {#each row.done as one (one.tick_id)}
        <p>
          {one.words}
          {#if one.change_id}<Button onclick={() => back(one.change_id ?? 0)}>Undo this</Button
            >{/if}
        </p>
      {/each}
      <h3>Some more, on each of {row.plants}</h3>
    {:else}
      <p>Planned: {row.amount}.</p>
      <Button look="go" disabled={write.busy} onclick={() => tick('half')}>
        Half: {row.half}
      </Button>
      <Button disabled={write.busy} onclick={() => tick('none')}>Leave it out this time</Button>
      <h3>Or another amount, on each of {row.plants}</h3>
    {/if}
    <StepBox
      label="How much for each plant"
      box="Litres for each plant"
      less="Less for each"
      more="More for each"
      value={volume(litres)}
      onchange={type}
      onstep={(by) => (litres = Math.max(step, Math.round((litres + by * step) / step) * step))}
    />
    <Button disabled={write.busy} onclick={() => tick(done ? 'extra' : 'own', litres)}>
      {done ? 'That much more' : 'That much'}: {volume(litres * row.plants)} in all
    </Button>
    <Message problem={write.problem} />
  </div>
</Sheet>

<style>
  div {
    display: grid;
    gap: var(--space-3);
  }

  p {
    display: flex;
    gap: var(--space-3);
    align-items: center;
    justify-content: space-between;
  }

  h3 {
    font-size: var(--text-m);
  }
</style>
