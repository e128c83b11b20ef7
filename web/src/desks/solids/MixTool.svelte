<!-- A soil mix: parts drawn as layers in a pot, sliders that keep the sum, limits said. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { example } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import Message from '../../ui/Message.svelte';
  import { draftOf, keepDraft } from '../../ui/drafts';
  import AdviceList from './AdviceList.svelte';
  import MixDrawing from './MixDrawing.svelte';
  import { asShares, moved, without, type Shares } from './shares';

  const { offered }: { offered: Schemas['SolidsOut'] } = $props();
  interface Thought {
    litres: string;
    use: Schemas['SoilMixIn']['use'];
    shares: Shares;
    dry: Record<string, number>;
  }
  const first = $derived(offered.recipes[1] ?? offered.recipes[0]);
  let kept = $state<Thought | null>(draftOf<Thought>('mix'));
  const thought = $derived<Thought>(
    kept ?? {
      litres: example('40 L', '10 gallon'),
      use: (first?.use ?? 'potting_on') as Thought['use'],
      shares: asShares(first?.parts ?? {}),
      dry: first?.dry ?? {},
    },
  );
  let picked = $state('');
  let keeping = $state(false);
  let called = $state('');
  const write = new Write();
  const saved = $state<Schemas['KeptMixOut'][]>([]);
  const own = $derived([...offered.mixes, ...saved]);
  const found = new Resource<Schemas['SoilMixOut']>();
  const mix = $derived(found.data);
  const name = (key: string) => offered.ingredients.find((one) => one.key === key)?.name ?? key;
  const more = $derived([
    { value: '', name: 'Put in another…' },
    ...offered.ingredients
      .filter((one) => !(one.key in thought.shares))
      .map((one) => ({ value: one.key, name: one.name })),
  ]);

  function think(change: Partial<Thought>) {
    kept = { ...thought, ...change };
    keepDraft('mix', kept);
  }

  async function keep() {
    const body = {
      name: called,
      use: thought.use,
      parts: Object.fromEntries(
        Object.entries(thought.shares).map(([key, share]) => [key, Math.round(10 * share) / 10]),
      ),
      dry: thought.dry,
    };
    const id = write.id();
    const params = { path: { mix_id: id } };
    if (!(await write.send(() => ask(client.PUT('/api/mixes/{mix_id}', { params, body }))))) return;
    saved.push({ key: id, ...body });
    keeping = false;
  }

  function take(recipe: Pick<Schemas['KeptMixOut'], 'use' | 'parts' | 'dry'>) {
    const use = recipe.use as Thought['use'];
    think({ use, shares: asShares(recipe.parts), dry: recipe.dry });
  }

  function putIn(key: string) {
    if (!key) return;
    think({ shares: moved({ ...thought.shares, [key]: 0 }, key, 10) });
    picked = '';
  }

  follow(
    () => JSON.stringify(thought),
    () => {
      const body = {
        litres: thought.litres,
        parts: thought.shares,
        dry: thought.dry,
        use: thought.use,
      };
      found.soon((signal) => ask(client.POST('/api/solids/mix', { body, signal })));
    },
  );
</script>

<div class="mix">
  <div class="line" role="group" aria-label="Mixes of our own">
    {#each own as recipe (recipe.key)}
      <Button look="go" onclick={() => take(recipe)}>{recipe.name}</Button>
    {/each}
    {#each offered.recipes as recipe (recipe.key)}
      <Button onclick={() => take(recipe)}>{recipe.name}</Button>
    {/each}
  </div>
  <div class="line">
    <label>
      <span>How much</span>
      <input
        value={thought.litres}
        autocomplete="off"
        oninput={(event) => think({ litres: event.currentTarget.value })}
      />
    </label>
    <Choice
      label="For"
      labelled
      value={thought.use}
      options={offered.uses.map((one) => ({ value: one.key, name: one.name }))}
      onchange={(use) => think({ use: use as Thought['use'] })}
    />
  </div>
  <Message problem={found.problem} again={found.again} />
  <div class="columns">
    <MixDrawing layers={mix?.layers ?? []} />
    <div class="parts">
      {#each Object.entries(thought.shares) as [key, share] (key)}
        <div class="part">
          <label for="part-{key}">{name(key)}</label>
          <b>{mix?.layers.find((one) => one.key === key)?.take ?? ''}</b>
          <input
            id="part-{key}"
            type="range"
            min="0"
            max="100"
            step="5"
            value={share}
            aria-valuetext="{Math.round(share)} percent"
            oninput={(event) =>
              think({ shares: moved(thought.shares, key, Number(event.currentTarget.value)) })}
          />
          <Button
            look="quiet"
            disabled={Object.keys(thought.shares).length === 1}
            onclick={() => think({ shares: without(thought.shares, key) })}
            >×<span class="unseen"> leave out {name(key)}</span></Button
          >
        </div>
      {/each}
      <Choice label="Put in another" bind:value={picked} options={more} onchange={putIn} />
      {#each mix?.dry ?? [] as one (one)}<p>and {one}</p>{/each}
    </div>
    {#if mix && !found.problem}
      <div class="says" aria-live="polite">
        <h2>
          {mix.breaks.some((one) => one.severity !== 'info')
            ? 'Not right for this'
            : 'Right for this'}
        </h2>
        <AdviceList said={mix.breaks} />
        <dl>
          <dt>Salt</dt>
          <dd>{mix.salt}<span>{mix.salt_range}</span></dd>
          <dt>Holds water</dt>
          <dd>{mix.holds}</dd>
          <dt>pH</dt>
          <dd>{mix.ph}</dd>
          {#each mix.food as one (one.name)}
            <dt>{one.name} at once</dt>
            <dd>{one.text}</dd>
          {/each}
          <dt>Later</dt>
          <dd>{mix.slow}</dd>
        </dl>
        {#if session.owner}
          <div><Button look="go" onclick={() => (keeping = true)}>Keep this mix</Button></div>
        {/if}
        <p class="soft">Damp it and wear a mask: dust carries lung germs.</p>
      </div>
    {/if}
  </div>
</div>
<SheetForm
  title="Keep this mix"
  {write}
  submit="Keep it"
  fields={['name', 'parts']}
  {keep}
  bind:open={keeping}
>
  <p>Pots and tubs can be filled with it in Set-up.</p>
  <Field label="What do you call it?" bind:value={called} trouble={write.trouble('name')} />
</SheetForm>

<style>
  .mix,
  .parts,
  .says {
    display: grid;
    gap: var(--space-3);
    align-content: start;
  }

  .line {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    align-items: end;
  }

  .line label {
    display: grid;
    gap: var(--space-1);
    font-weight: 550;
  }

  .line input {
    width: 12ch;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  .columns {
    display: grid;
    grid-template-columns: minmax(150px, 210px) minmax(0, 1.2fr) minmax(0, 1fr);
    gap: var(--space-4);
  }

  .part {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: 0 var(--space-2);
    align-items: center;
  }

  .part input {
    grid-column: 1 / 3;
    width: 100%;
    min-height: var(--touch);
    accent-color: var(--color-rim);
  }

  .part :global(button) {
    grid-row: 2;
    grid-column: 3;
  }

  h2 {
    font-size: var(--text-l);
  }

  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    margin: 0;
  }

  dt,
  dd {
    margin: 0;
    padding: var(--space-1) var(--space-3) var(--space-1) 0;
    border-bottom: 1px dashed var(--color-line);
  }

  dd {
    font-weight: 600;
  }

  .soft,
  dd span {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-weight: 400;
  }

  @media (width <= 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
