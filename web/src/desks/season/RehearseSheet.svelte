<!-- Try it out first: other weather, another shelf, other habits, and both futures side by side. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { session } from '../../app/session.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import Future from './Future.svelte';
  import { rehearse } from './rehearse.svelte';
  import { WEATHERS } from './weathers';

  interface Props {
    open: boolean;
    /** Rhythms in words, by key. */
    rhythms: Record<string, string>;
  }
  let { open = $bindable(), rhythms }: Props = $props();
  const chosen = $state({ weather: 'usual', homeMade: false, rhythm: '', strength: '' });
  const spots = $derived((garden.stop ? [garden.stop] : garden.stops).flatMap((one) => one.spots));
  const stands = $derived((garden.stop ? [garden.stop] : garden.stops).flatMap((s) => s.stands));
  const plantings = $derived([...new Set(stands.map((stand) => stand.planting_id))]);
  const futures = $derived(rehearse.futures.data);
  const keepable = $derived(futures !== null && Object.keys(rehearse.habits).length > 0);

  // opened anew, or anything else chosen: the futures shown are of what was chosen before
  $effect(() => {
    void [open, ...Object.values(chosen)];
    untrack(() => rehearse.forget());
  });

  function tryOut() {
    const fills = garden.stop ? spots.map((spot) => spot.fill_id) : [];
    void rehearse.try(chosen, fills, plantings);
  }

  async function keep() {
    if (await rehearse.keep()) open = false;
  }
</script>

<Sheet title="Try it out first: {garden.stop?.name ?? 'the whole garden'}" bind:open>
  <div class="ask">
    <Choice
      label="The weather from here on"
      labelled
      bind:value={chosen.weather}
      options={Object.entries(WEATHERS).map(([value, { name }]) => ({ value, name }))}
    />
    <Choice
      label="How often"
      labelled
      bind:value={chosen.rhythm}
      options={[
        { value: '', name: 'as it is' },
        ...Object.entries(rhythms).map(([value, name]) => ({ value, name })),
      ]}
    />
    <Choice
      label="How strong"
      labelled
      bind:value={chosen.strength}
      options={[
        { value: '', name: 'as it is' },
        { value: '0.5', name: 'half' },
        { value: '2', name: 'twice, as far as they bear it' },
      ]}
    />
    <label><input type="checkbox" bind:checked={chosen.homeMade} /> Nothing bought</label>
    <Button look="go" disabled={rehearse.futures.busy} onclick={tryOut}>Try it out</Button>
    {#if rehearse.futures.busy}<progress aria-label="Working out both futures"></progress>{/if}
    <Message problem={rehearse.futures.problem} again={rehearse.futures.again} />
  </div>
  {#if futures}
    <div role="status">
      {#each futures.said as line, at (at)}<p><b>{line}</b></p>{/each}
    </div>
    <div class="both">
      <Future title="As it stands" future={futures.before} />
      <Future title="Tried out" future={futures.after} />
    </div>
    <div class="acts">
      {#if keepable && session.owner}
        <Button disabled={rehearse.write.busy} onclick={keep}>Keep what was tried out</Button>
      {/if}
      <Button onclick={() => (open = false)}>Leave it as it stands</Button>
    </div>
    {#if chosen.weather !== 'usual'}
      <p class="soft">The weather is only tried out: nothing of it is kept.</p>
    {/if}
    <Message problem={rehearse.write.problem} />
  {/if}
</Sheet>

<style>
  .ask {
    display: grid;
    gap: var(--space-2);
    margin-bottom: var(--space-3);
  }

  label {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  input {
    width: 22px;
    height: 22px;
    accent-color: var(--color-rim);
  }

  progress {
    width: 100%;
    accent-color: var(--color-rim);
  }

  .both {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--space-3);
    margin-block: var(--space-3);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .soft {
    margin-top: var(--space-2);
    color: var(--color-text-soft);
  }
</style>
