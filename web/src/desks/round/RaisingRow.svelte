<!-- Young plants that move on: hardened off in a tick, potted on or planted out in a sheet. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import BesideRow from './BesideRow.svelte';
  import LaterSheet from './LaterSheet.svelte';
  import MoveOnSheet from './MoveOnSheet.svelte';
  import { round } from './round.svelte';

  interface Props {
    raising: Schemas['RoundRaisingOut'];
    grounds: Schemas['RoundGroundOut'][];
    media: Schemas['RoundMediumOut'][];
  }
  const { raising, grounds, media }: Props = $props();
  const write = $derived(round.write(raising.stand_id + raising.kind));
  const moves = $derived(raising.kind === 'pot_on' || raising.kind === 'plant_out');
  let open = $state(false);
  let later = $state(false);

  function begun() {
    const step = 'harden' as const;
    const body = { id: write.id(step), planting_ids: raising.planting_ids, step };
    void write.send(() => ask(client.POST('/api/raising', { body })));
  }
</script>

<BesideRow
  name={raising.title}
  words={raising.line}
  busy={write.busy}
  problem={write.problem}
  ontick={raising.kind === 'harden' ? begun : undefined}
  onopen={moves && session.owner ? () => (open = true) : undefined}
  onother={raising.kind === 'keep_in' ? undefined : () => (later = true)}
>
  <LaterSheet {raising} bind:open={later} />
  {#if moves}<MoveOnSheet {raising} {grounds} {media} bind:open />{/if}
</BesideRow>
