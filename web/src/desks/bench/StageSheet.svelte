<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import StagePlate from '../../drawings/plants/StagePlate.svelte';

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
  const crops = new Resource<Schemas['CropOut']>();
  const write = new Write();
  /** The stage that an older look contradicts, until she says that she is sure. */
  let asked = $state('');
  let on = $state('');

  $effect(() => {
    const params = { path: { key: cropKey } };
    if (!open) return;
    untrack(() => {
      write.begin();
      asked = '';
      void crops.load((signal) => ask(client.GET('/api/crops/{key}', { params, signal })));
    });
  });

  async function see(stage: string, sure = false) {
    const params = { path: { planting_id: plantingId } };
    const body = { id: write.id(stage), stage, on: on || null, sure };
    const sent = () => ask(client.POST('/api/plantings/{planting_id}/stage', { params, body }));
    const written = await write.send(sent);
    asked = write.problem?.status === CONFLICT ? stage : '';
    if (!written) return;
    open = false;
    on = '';
  }
</script>

<Sheet title="What do you see on the {crop.toLowerCase()}?" bind:open>
  <Message problem={crops.problem} again={crops.again} />
  <Message problem={write.problem} />
  {#if asked}
    <div class="sure">
      <Button look="go" onclick={() => see(asked, true)}>Yes, set the older look aside</Button>
      <Button onclick={() => ((asked = ''), write.begin())}>No, that was a slip</Button>
    </div>
  {/if}
  <ul aria-busy={crops.busy}>
    {#each crops.data?.stages ?? [] as stage (stage.key)}
      <li>
        <button
          type="button"
          aria-current={stage.key === stageKey ? 'true' : undefined}
          onclick={() => see(stage.key)}
        >
          <StagePlate stage={stage.key} grown={crops.data?.grown} size={72} />
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
    display: grid;
    grid-template-columns: 72px minmax(0, 1fr);
    gap: 0 var(--space-3);
    align-items: center;
    width: 100%;
    min-height: 80px;
    padding: var(--space-1) var(--space-3);
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

  li button :global(svg) {
    grid-row: span 2;
  }

  b {
    align-self: end;
    font-weight: 550;
  }

  li span {
    align-self: start;
    color: var(--color-text-soft);
    font-size: var(--text-s);
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
