<!-- Half, none, her own amount, or some more: what was done of one stop. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { volume } from '../../app/measures';
  import { Resource } from '../../app/resource.svelte';
  import { undo } from '../../app/undo.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import StepBox from '../../ui/StepBox.svelte';
  import { textOf, type Typed } from '../../ui/typed';
  import { round, type How, type RoundCan, type RoundRow } from './round.svelte';

  interface Props {
    can: RoundCan;
    row: RoundRow;
    open: boolean;
  }
  let { can, row, open = $bindable() }: Props = $props();
  const id = $props.id();
  /** What the box holds: the amount planned, stepped, or as typed. */
  let said = $state<Typed>('');
  /** The same on each plant [L], and in words; nothing while it is not read. */
  const read = new Resource<Schemas['AmountOut']>();
  const write = $derived(round.write(row.fill_id));
  const done = $derived(row.done.length > 0);
  const step = $derived(row.litres_each > 1 ? 0.25 : row.litres_each > 0.2 ? 0.1 : 0.01);
  const litres = $derived(read.data?.litres_each ?? row.litres_each);
  const trouble = $derived(read.problem?.message ?? write.trouble('litres_each'));

  $effect(() => {
    if (open) untrack(() => say(volume(row.litres_each)));
  });

  async function tick(how: How, each: Typed = '') {
    if (await round.tick(can, row, how, each)) open = false;
  }

  function say(typed: Typed) {
    said = typed;
    write.problem = null;
    const body = { litres: typed, plants: row.plants };
    void read.load((signal) => ask(client.POST('/api/round/amount', { body, signal })));
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
      box="How much for each plant"
      less="Less for each"
      more="More for each"
      value={said}
      wrong={trouble !== ''}
      describedby="{id}-trouble"
      oninput={say}
      onstep={(by) => say(volume(Math.max(step, Math.round((litres + by * step) / step) * step)))}
    />
    <p id="{id}-trouble" class="trouble" role={trouble ? 'alert' : undefined}>{trouble}</p>
    <Button
      disabled={write.busy || trouble !== ''}
      onclick={() => tick(done ? 'extra' : 'own', said)}
    >
      {done ? 'That much more' : 'That much'}{trouble
        ? ''
        : `: ${read.data?.words ?? textOf(said)}`}
    </Button>
    <Message problem={trouble ? null : write.problem} />
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

  .trouble {
    color: var(--color-stop);
  }

  h3 {
    font-size: var(--text-m);
  }
</style>
