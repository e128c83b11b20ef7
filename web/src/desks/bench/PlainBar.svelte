<script lang="ts">
  import { ask, client } from '../../api/client';
  import { garden, type Verdict } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { volume } from '../../app/measures';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import ActBar from './ActBar.svelte';
  import { may } from '../../ui/may.svelte';

  interface Props {
    verdict: Verdict;
    onlook: () => void;
    ondress: () => void;
    onanyway: () => void;
  }
  const { verdict, onlook, ondress, onanyway }: Props = $props();
  const write = new Write();
  const spot = $derived(garden.spot);
  const acts = $derived(verdict.button !== '');

  function pour() {
    if (!spot || !verdict.water_id) return;
    const flush = verdict.kind === 'flush';
    const body = {
      id: write.id(),
      fill_id: spot.fill_id,
      water_id: verdict.water_id,
      water_kind: '',
      litres: volume(verdict.litres, 4),
      flush,
    };
    void write.send(() => ask(client.POST('/api/waterings', { body })));
  }

  function act() {
    if (verdict.kind === 'look') {
      if (verdict.question?.about === 'stage') onlook();
      else keys.read(spot?.subject_id ?? '');
    } else if (verdict.kind === 'dress') ondress();
    else pour();
  }
</script>

<!-- The one button of a stop that is not fed from a can today; anything else is quiet. -->
<ActBar>
  <Message problem={write.problem} />
  {#if acts}
    <Button writes look="go" disabled={write.busy} onclick={act}>{verdict.button}</Button>
  {/if}
  {#if verdict.kind !== 'look' || verdict.question?.about === 'stage'}
    <Button writes onclick={() => keys.read(spot?.subject_id ?? '')}>Read the run-off</Button>
  {/if}
  {#if !acts && verdict.water_id}
    <Button writes disabled={write.busy} onclick={pour}>
      Pour {volume(verdict.litres || 1)} of {verdict.water}
    </Button>
  {/if}
  {#if may.write}
    <button type="button" class="anyway" onclick={onanyway}>Write down a feed anyway</button>
  {/if}
</ActBar>

<style>
  .anyway {
    min-height: var(--touch);
    margin-left: auto;
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }
</style>
