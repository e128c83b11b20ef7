<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import ClearSheet from '../year/ClearSheet.svelte';
  import FollowsSheet from '../year/FollowsSheet.svelte';
  import HowFed from './HowFed.svelte';
  import SoilTestSheet from './SoilTestSheet.svelte';
  import { dateShort } from './strips';

  interface Props {
    page: Schemas['PlantingOut'];
  }
  let { page }: Props = $props();
  const EVERY = [7, 10, 14, 18, 21, 28];
  let testOpen = $state(false);
  let clearing = $state(false);
  let following = $state(false);
  const write = new Write();
  const params = $derived({ path: { planting_id: page.id } });

  const repeat = (days: string) => {
    const body = { days: days ? Number(days) : null };
    return write.send(() =>
      ask(client.POST('/api/plantings/{planting_id}/repeat', { params, body })),
    );
  };

  const again = () => {
    const body = { id: write.id('planting'), stand_id: write.id('stand'), fill_id: null };
    return write.send(() =>
      ask(client.POST('/api/plantings/{planting_id}/again', { params, body })),
    );
  };
</script>

<div class="care">
  <Message problem={write.problem} />
  {#if session.owner}
    <HowFed {page} />
    <Choice
      label="Sow the same again"
      labelled
      value={page.repeat_days ? String(page.repeat_days) : ''}
      options={[
        { value: '', name: 'no' },
        ...EVERY.map((days) => ({ value: String(days), name: `every ${days} days` })),
      ]}
      onchange={repeat}
    />
  {/if}
  {#if page.sow_again_on}
    <p>
      {page.sow_again_on <= page.today ? 'Due since' : 'Due'}
      <b>{dateShort(page.sow_again_on)}</b>
    </p>
    {#if page.again_against}<p class="soft">{page.again_against}.</p>{/if}
    {#if session.owner}<Button
        writes
        look={page.sow_again_on <= page.today ? 'go' : 'plain'}
        onclick={again}
      >
        Sown again today
      </Button>{/if}
  {/if}
  {#if page.soil_test}<p class="soft">{page.soil_test}</p>{/if}
  {#if session.owner}<div class="acts">
      {#if page.fill_id}<Button onclick={() => (testOpen = true)}>A test of the soil or mix</Button
        >{/if}
      {#if !page.ended_on}
        <Button onclick={() => (clearing = true)}>This crop is over</Button>
      {:else if page.fill_id}
        <Button onclick={() => (following = true)}>What follows?</Button>
      {/if}
    </div>{/if}
</div>
{#if page.fill_id}<SoilTestSheet
    fillId={page.fill_id}
    place={page.place}
    bind:open={testOpen}
  />{/if}

<ClearSheet
  plantingId={page.id}
  crop={page.crop}
  heaps={page.heaps}
  outlasts={page.outlasts}
  bind:open={clearing}
  oncleared={() => (following = page.fill_id !== null)}
/>
{#if page.fill_id}
  <FollowsSheet fillId={page.fill_id} count={page.count} bind:open={following} />
{/if}

<style>
  .care {
    display: grid;
    gap: var(--space-2);
    padding-top: var(--space-3);
    border-top: 1px solid var(--color-line);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  @media print {
    .care {
      display: none;
    }
  }
</style>
