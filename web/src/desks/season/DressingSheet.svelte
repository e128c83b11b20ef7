<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { undo } from '../../app/undo.svelte';
  import { ask, client, type Problem, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { newId } from '../../ui/ids';
  import Note from '../../ui/Note.svelte';
  import Sheet from '../../ui/Sheet.svelte';

  interface Props {
    standId: string;
    /** For whom, in words. */
    who: string;
    open: boolean;
  }
  let { standId, who, open = $bindable() }: Props = $props();
  const WAIT_MS = 250;
  let feeds = $state<Schemas['DryFeedOut'][]>([]);
  let chosen = $state('');
  let said = $state('70 g/m2');
  let also = $state('');
  let found = $state<Schemas['DressingOut'] | null>(null);
  let problem = $state<Problem | null>(null);
  let writing = $state(false);
  let turn = 0;
  const key = (feed: Schemas['DryFeedOut']) => feed.jar_id ?? feed.material;
  const feed = $derived(feeds.find((one) => key(one) === chosen));
  const asked = $derived({
    stand_id: standId,
    said,
    also_said: also,
    jar_id: feed?.jar_id ?? null,
    material: feed?.material ?? '',
  });

  $effect(() => {
    if (open) untrack(() => void load());
  });

  $effect(() => {
    const body = asked;
    if (!open || !feed || !said.trim()) return;
    const timer = setTimeout(() => void preview(body), WAIT_MS);
    return () => clearTimeout(timer);
  });

  async function load() {
    const reply = await ask(client.GET('/api/dry-feeds'));
    problem = reply.problem ?? null;
    feeds = reply.data ?? [];
    if (!feed) chosen = feeds[0] ? key(feeds.find((one) => one.jar_id) ?? feeds[0]) : '';
  }

  /** The newest question's answer counts. */
  async function preview(body: typeof asked) {
    const mine = ++turn;
    const reply = await ask(client.POST('/api/dressings/preview', { body }));
    if (mine !== turn) return;
    problem = reply.problem ?? null;
    found = reply.data ?? null;
  }

  async function give() {
    writing = true;
    const reply = await ask(client.POST('/api/dressings', { body: { id: newId(), ...asked } }));
    writing = false;
    problem = reply.problem ?? null;
    if (!reply.data) return;
    open = false;
    undo.offer(reply.data);
    await garden.changed();
  }
</script>

<Sheet title="A dry feed" bind:open>
  <div class="form">
    <p class="soft">For {who}</p>
    <Choice
      label="What"
      labelled
      bind:value={chosen}
      options={feeds.map((one) => ({
        value: key(one),
        name: `${one.name}${one.jar_id ? `, ${one.text}` : ''}`,
      }))}
    />
    <Field
      label="How much"
      bind:value={said}
      trouble={problem && problem.field !== 'also_said' ? problem.message : ''}
      hint="70 g/m2, a handful per plant, 1 tbsp per hole, a 5 mm layer, 1 in 20 of the mix"
    />
    {#if found}
      <ul class="ways" aria-label="The same in other ways">
        {#each found.ways as way (way.kind)}<li>{way.text}</li>{/each}
      </ul>
      <p>
        <b>Nitrogen for each plant:</b>
        {found.out_by.map((one) => one.text).join(', ')}.
        <span class="soft">{found.cooler}</span>
      </p>
      {#if found.stock_after_text}<p class="soft">{found.stock_after_text}</p>{/if}
      <details>
        <summary>How this was got</summary>
        <ul class="steps">
          {#each found.working as step (step.what)}
            <li>
              {step.what}: {step.expression} = <b>{step.text} {step.unit}</b> <i>{step.source}</i>
            </li>
          {/each}
        </ul>
      </details>
      {#each found.advice as advice (advice.key)}
        <Note
          severity={advice.severity}
          title={advice.title}
          source={advice.source}>{advice.text}</Note
        >
      {/each}
    {/if}
    <details>
      <summary>Somebody told it another way too</summary>
      <Field
        label="The same dose, told otherwise"
        bind:value={also}
        hint="Dace says whether they agree."
      />
    </details>
    {#if found?.disagreement}<Note severity="care" title="The two do not agree"
        >{found.disagreement}</Note
      >{/if}
    <Button
      look="go"
      disabled={!found || !found.enough || writing || problem !== null}
      onclick={give}
    >
      Log it
    </Button>
    <p class="soft">Work it in and water it in. Local rules and the product's label come first.</p>
  </div>
</Sheet>

<style>
  .form {
    display: grid;
    gap: var(--space-3);
  }

  .soft,
  i {
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-style: normal;
  }

  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .ways li {
    padding: 2px var(--space-2);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
    font-size: var(--text-s);
  }

  .steps {
    margin: 0;
    padding-left: var(--space-4);
    font-size: var(--text-s);
  }

  summary {
    min-height: var(--touch);
    padding-top: var(--space-3);
    color: var(--color-rim);
    cursor: pointer;
  }
</style>
