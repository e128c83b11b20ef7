<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, asSeen, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import { garden } from '../../app/garden.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import Note from '../../ui/Note.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import DressingFigures from './DressingFigures.svelte';

  interface Props {
    standId: string;
    /** For whom, in words. */
    who: string;
    /** A usual dose for such a place. */
    usual: string;
    /** The jar that suits, chosen beforehand. */
    jarId?: string;
    open: boolean;
  }
  let { standId, who, usual, jarId = '', open = $bindable() }: Props = $props();
  const feeds = new Resource<Schemas['DryFeedOut'][]>();
  const worked = new Resource<Schemas['DressingOut']>();
  const write = new Write();
  let chosen = $state('');
  let said = $state('');
  let also = $state('');
  /** Whether it is for all that shares the ground; null until that is asked. */
  let whole = $state<boolean | null>(null);
  const found = $derived(worked.problem ? null : worked.data);
  const key = (feed: Schemas['DryFeedOut']) => feed.jar_id ?? feed.material;
  const feed = $derived(feeds.data?.find((one) => key(one) === chosen));
  const asked = $derived({
    stand_id: standId,
    said,
    also_said: also,
    whole,
    jar_id: feed?.jar_id ?? null,
    material: feed?.material ?? '',
  });
  const problem = $derived(write.problem ?? worked.problem);
  const FIELDS = ['also_said'];

  $effect(() => {
    if (!open) return;
    untrack(() => {
      write.begin();
      said = jarId ? usual : said || usual;
      if (jarId) chosen = jarId;
      whole = null;
      void load();
    });
  });

  $effect(() => {
    const body = asked;
    if (!open || !feed || !said.trim()) return;
    untrack(() =>
      worked.soon((signal) => ask(client.POST('/api/dressings/preview', { body, signal }))),
    );
  });

  async function load() {
    await feeds.load((signal) => ask(client.GET('/api/dry-feeds', { signal })));
    const [first] = [...(feeds.data ?? [])].sort(
      (one, other) => Number(Boolean(other.jar_id)) - Number(Boolean(one.jar_id)),
    );
    if (!feed) chosen = first ? key(first) : '';
  }

  async function give() {
    const body = { id: write.id(), ...asked };
    const headers = asSeen(garden.path?.edition);
    const sent = () => ask(client.POST('/api/dressings', { body, headers }));
    if (await write.send(sent)) open = false;
  }
</script>

<Sheet title="A dry feed" bind:open>
  <div class="form">
    <p class="soft">For {who}</p>
    <Message problem={feeds.problem} again={feeds.again} />
    <Choice
      label="What"
      labelled
      bind:value={chosen}
      options={(feeds.data ?? []).map((one) => ({
        value: key(one),
        name: `${one.name}${one.jar_id ? `, ${one.text}` : ''}`,
      }))}
    />
    <Field
      label="How much"
      bind:value={said}
      trouble={problem && !FIELDS.includes(problem.field) ? problem.message : ''}
      hint="70 g/m2, a handful per plant, 1 tbsp per hole, a 5 mm layer, 1 in 20 of the mix"
    />
    {#if problem?.field === 'whole'}
      <div class="pair">
        <Button onclick={() => (whole = false)}>For this crop alone</Button>
        <Button onclick={() => (whole = true)}>For all that stands there</Button>
      </div>
    {/if}
    {#if found}
      <DressingFigures {found} />
      {#if found.others_text}<p class="soft">{found.others_text}</p>{/if}
    {/if}
    <details>
      <summary>Somebody told it another way too</summary>
      <Field
        label="The same dose, told otherwise"
        bind:value={also}
        trouble={problem?.field === 'also_said' ? problem.message : ''}
        hint="Dace says whether they agree."
      />
    </details>
    {#if found?.disagreement}
      <Note severity="care" title="The two do not agree">{found.disagreement}</Note>
    {/if}
    <Button
      look="go"
      disabled={!found?.enough || write.busy || worked.problem !== null}
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

  .pair {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  summary {
    min-height: var(--touch);
    padding-top: var(--space-3);
    color: var(--color-rim);
    cursor: pointer;
  }
</style>
