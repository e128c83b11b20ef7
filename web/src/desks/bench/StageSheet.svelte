<script lang="ts">
  import { newId } from '../../ui/ids';
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import Sheet from '../../ui/Sheet.svelte';

  interface Props {
    plantingId: string;
    crop: string;
    cropKey: string;
    /** Where the clock has it now. */
    stageKey: string;
    open: boolean;
  }
  let { plantingId, crop, cropKey, stageKey, open = $bindable() }: Props = $props();
  const CONFLICT = 409;
  let found = $state<Schemas['CropOut'] | null>(null);
  let problem = $state<Problem | null>(null);
  /** The stage that an older look contradicts, until she says that she is sure. */
  let asked = $state('');
  let on = $state('');

  $effect(() => {
    if (open) void load(cropKey);
  });

  async function load(key: string) {
    asked = '';
    const reply = await ask(client.GET('/api/crops/{key}', { params: { path: { key } } }));
    found = reply.data ?? null;
    problem = reply.problem ?? null;
  }

  async function see(stage: string, sure = false) {
    const reply = await ask(
      client.POST('/api/plantings/{planting_id}/stage', {
        params: { path: { planting_id: plantingId } },
        body: { id: newId(), stage, on: on || null, sure },
      }),
    );
    problem = reply.problem ?? null;
    asked = problem?.status === CONFLICT ? stage : '';
    if (!reply.data) return;
    open = false;
    on = '';
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<Sheet title="What do you see on the {crop.toLowerCase()}?" bind:open>
  {#if problem}<p class="trouble" role="alert">{problem.message}</p>{/if}
  {#if asked}
    <div class="sure">
      <Button look="go" onclick={() => see(asked, true)}>Yes, set the older look aside</Button>
      <Button onclick={() => ((asked = ''), (problem = null))}>No, that was a slip</Button>
    </div>
  {/if}
  <ul aria-busy={!found}>
    {#each found?.stages ?? [] as stage (stage.key)}
      <li>
        <button
          type="button"
          aria-current={stage.key === stageKey ? 'true' : undefined}
          onclick={() => see(stage.key)}
        >
          <b>{stage.cue}</b>
          <span>{stage.words}{stage.key === stageKey ? ', as it stands now: still so' : ''}</span>
        </button>
      </li>
    {/each}
  </ul>
  <details>
    <summary>Seen on another day</summary>
    <Field label="Day" type="date" bind:value={on} hint="Today, unless you say another day." />
  </details>
</Sheet>

<style>
  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li button {
    width: 100%;
    min-height: 52px;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    text-align: left;
    cursor: pointer;
  }

  li button[aria-current] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
  }

  b,
  li span {
    display: block;
  }

  b {
    font-weight: 550;
  }

  li span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .trouble {
    margin-bottom: var(--space-2);
    color: var(--color-stop);
  }

  .sure {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin-bottom: var(--space-3);
  }

  summary {
    min-height: var(--touch);
    padding-top: var(--space-3);
    color: var(--color-rim);
    cursor: pointer;
  }
</style>
