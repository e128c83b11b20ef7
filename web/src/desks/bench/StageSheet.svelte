<script lang="ts">
  import { newId } from '../../ui/ids';
  import { garden, type Stand } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Sheet from '../../ui/Sheet.svelte';

  interface Props {
    stand: Stand;
    open: boolean;
  }
  let { stand, open = $bindable() }: Props = $props();
  let crop = $state<Schemas['CropOut'] | null>(null);
  let problem = $state<Problem | null>(null);

  $effect(() => {
    if (open) void load(stand.crop_key);
  });

  async function load(key: string) {
    const reply = await ask(client.GET('/api/crops/{key}', { params: { path: { key } } }));
    crop = reply.data ?? null;
    problem = reply.problem ?? null;
  }

  async function see(stage: string) {
    const reply = await ask(
      client.POST('/api/plantings/{planting_id}/stage', {
        params: { path: { planting_id: stand.planting_id } },
        body: { id: newId(), stage },
      }),
    );
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<Sheet title="What do you see on the {stand.crop.toLowerCase()}?" bind:open>
  {#if problem}<p class="trouble" role="alert">{problem.message}</p>{/if}
  <ul aria-busy={!crop}>
    {#each crop?.stages ?? [] as stage (stage.key)}
      <li>
        <button
          type="button"
          aria-current={stage.key === stand.stage_key ? 'true' : undefined}
          onclick={() => see(stage.key)}
        >
          <b>{stage.cue}</b>
          <span>{stage.words}{stage.key === stand.stage_key ? ', as it stands now' : ''}</span>
        </button>
      </li>
    {/each}
  </ul>
</Sheet>

<style>
  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  button {
    width: 100%;
    min-height: 52px;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    text-align: left;
    cursor: pointer;
  }

  button[aria-current] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
  }

  b,
  span {
    display: block;
  }

  b {
    font-weight: 550;
  }

  span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .trouble {
    margin-bottom: var(--space-2);
    color: var(--color-stop);
  }
</style>
