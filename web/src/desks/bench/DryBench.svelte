<!-- Spreading something dry: when, and the sheet in which it is measured. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import HoursStrip from './HoursStrip.svelte';

  const { onspread }: { onspread: () => void } = $props();
  const hours = new Resource<Schemas['HoursOut']>();
  const verdict = $derived(garden.verdict);

  follow(
    () => garden.stand?.id,
    (standId) => {
      if (!standId) return;
      const params = { query: { stand_id: standId } };
      void hours.load((signal) => ask(client.GET('/api/bench/hours', { params, signal })));
    },
  );
</script>

<div class="dry">
  {#if garden.stand}
    <p>
      {verdict?.kind === 'dress'
        ? 'A slow feed is what it wants today.'
        : 'It wants no slow feed today; spread one all the same.'} Say it by the square metre, hole, pot
      or handful.
    </p>
    {#if hours.data}<HoursStrip hours={hours.data} route="dry" />{/if}
    <div class="off-paper">
      <Button writes look={verdict?.kind === 'dress' ? 'go' : 'plain'} onclick={onspread}>
        Spread something dry…
      </Button>
    </div>
  {:else}
    <p><b>Choose a stop along the path</b> to spread something there.</p>
  {/if}
</div>

<style>
  .dry {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    padding: var(--space-3) 22px;
  }

  .dry > :global(section) {
    justify-self: stretch;
  }

  @media (width <= 700px) {
    .dry {
      padding-inline: var(--space-4);
    }
  }
</style>
