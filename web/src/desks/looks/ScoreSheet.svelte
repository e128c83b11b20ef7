<!-- How a row of plants looks: a press for each scale, then on to the next stop. -->
<script lang="ts">
  import { ask, client } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import { looks, scored } from './looks.svelte';
  import PhotoField from './PhotoField.svelte';
  import { sendPhoto } from './photos';

  let { open = $bindable() }: { open: boolean } = $props();
  const POINTS = [0, 1, 2, 3, 4, 5];
  const write = new Write();
  let at = $state(0);
  let scores = $state<Record<string, number>>({});
  let note = $state('');
  let photo = $state<File | null>(null);
  let done = $state(0);
  const data = $derived(looks.scoring.data);
  const stand = $derived(data?.stands[at]);
  const said = $derived(Object.keys(scores).length > 0 || note.trim() !== '');

  $effect(() => {
    if (!open) return;
    done = 0;
    fresh();
    void looks.loadScoring().then(() => {
      const here = garden.stand?.id;
      at = Math.max(0, looks.scoring.data?.stands.findIndex((one) => one.stand_id === here) ?? 0);
    });
  });

  function fresh() {
    scores = {};
    note = '';
    photo = null;
    write.begin();
  }

  async function keep() {
    if (!stand) return;
    const { stand_id } = stand;
    // the photo first: where it cannot be used the scores still stand here to be written
    if (photo && !(await sendPhoto(write, stand_id, photo))) return;
    photo = null;
    const body = { id: write.id(), stand_id, scores, note };
    if (said && !(await write.send(() => ask(client.POST('/api/observations', { body }))))) return;
    done += 1;
    step(1);
  }

  function step(by: number) {
    const next = at + by;
    fresh();
    if (data && next >= 0 && next < data.stands.length) at = next;
    else if (by > 0 && done) open = false;
  }
</script>

<Sheet title="How do they look?" bind:open>
  <Message problem={looks.scoring.problem} again={looks.scoring.again} />
  {#if data && !stand}<p>Nothing grows yet: there is nothing to look over.</p>{/if}
  {#if data && stand}
    <p>
      <b>{stand.name}</b>
      {stand.who}
      {#if stand.last_text}<small>last: {stand.last_text}</small>{/if}
    </p>
    {#each data.scales as scale (scale.key)}
      {@const point = scores[scale.key]}
      <fieldset>
        <legend>{scale.name} <small>{scale.look}</small></legend>
        <div>
          {#each POINTS as value (value)}
            <button
              type="button"
              aria-pressed={point === value}
              aria-label="{scale.name} {value}: {scale.words[value]}"
              onclick={() => (scores = scored(scores, scale.key, value))}
            >
              {value}
            </button>
          {/each}
        </div>
        <p class="word">
          {point === undefined ? `0 ${scale.words[0]} · 5 ${scale.words[5]}` : scale.words[point]}
        </p>
      </fieldset>
    {/each}
    <label>
      A note
      <input bind:value={note} maxlength="500" autocomplete="off" />
    </label>
    <PhotoField bind:file={photo} />
    <Message problem={write.problem} />
    <div class="acts">
      <Button look="go" disabled={write.busy || (!said && !photo)} onclick={keep}>
        {at + 1 < data.stands.length ? 'Write it down, next stop' : 'Write it down'}
      </Button>
      <Button disabled={at === 0} onclick={() => step(-1)}>Back</Button>
      <Button disabled={at + 1 >= data.stands.length} onclick={() => step(1)}>Skip</Button>
    </div>
  {/if}
</Sheet>

<style>
  fieldset {
    margin: 0 0 var(--space-2);
    padding: 0;
    border: 0;
  }

  legend {
    padding: 0;
    font-weight: 600;
  }

  small,
  .word {
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-weight: 400;
  }

  p small {
    display: block;
  }

  fieldset div {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    gap: var(--space-1);
  }

  fieldset button {
    min-height: 48px;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    font-size: var(--text-l);
    font-weight: 600;
    cursor: pointer;
  }

  button[aria-pressed='true'] {
    border-color: var(--color-go);
    background: var(--color-go);
    color: var(--color-on-go);
  }

  label {
    display: grid;
    gap: var(--space-1);
    margin-block: var(--space-2);
  }

  input {
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }
</style>
