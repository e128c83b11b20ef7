<script lang="ts">
  import { searchParams } from 'sv-router';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Page from '../../ui/Page.svelte';
  import { dateInWords } from '../../ui/time';
  import JarCans from './JarCans.svelte';
  import SpreadSheet from './SpreadSheet.svelte';
  import StockSheet from './StockSheet.svelte';
  import { capital } from '../../ui/words';

  const id = $derived(String(searchParams.get('jar') ?? ''));
  const read = new Resource<Schemas['JarPageOut']>();
  const jar = $derived(read.data);
  let stocking = $state(false);
  let spreading = $state(false);
  const bestBefore = $derived(jar?.use_by ? ` · best before ${dateInWords(jar.use_by)}` : '');

  follow(
    () => [id, garden.version] as const,
    ([jar_id]) => {
      if (jar?.id !== jar_id) read.clear();
      const params = { path: { jar_id } };
      if (jar_id)
        void read.load((signal) => ask(client.GET('/api/jars/{jar_id}/page', { params, signal })));
    },
  );

  $effect(() => {
    if (jar) working.advice = jar.advice;
  });

  $effect(() => keys.standAt(jar?.subject_id ?? ''));
</script>

<Page
  title={jar?.name ?? 'A jar'}
  sub={jar
    ? `${jar.bottle ? jar.known_by : `label ${jar.grade}`} · ${jar.stock_text} left${bestBefore}`
    : ''}
  of={read}
  waiting="Fetching it from the shelf…"
  open
>
  {#snippet acts()}<a class="back" href="/shelf{garden.search}">Back to the shelf</a>{/snippet}
  {#if jar}
    <JarCans {jar} />
    <h2>What it holds</h2>
    <dl>
      {#each jar.elements as part (part.name)}<dt>{part.name}</dt>
        <dd>{part.text}</dd>{/each}
    </dl>
    {#if jar.weighs}<p>{capital(jar.weighs)}.</p>{/if}
    {#if jar.price_per_n}<p>It costs {jar.price_per_n}.</p>{/if}
    {#if jar.good_for.length}
      <p>
        <b>Good for</b>
        {jar.good_for.join('; ')}.
        {#if jar.does_not.length}{jar.does_not.join('. ')}.{/if}
      </p>
      <p>{jar.dilute_text}</p>
    {/if}
    <div class="acts">
      {#if jar.form === 'solid' && !jar.dissolves}
        <Button writes look="go" onclick={() => (spreading = true)}>Spread it on a bed</Button>
      {:else}
        <ButtonLink
          look="go"
          href="/bench?jar={jar.id}{garden.stop ? `&stop=${garden.stop.id}` : ''}"
          >Pour from it on the Bench</ButtonLink
        >
      {/if}
      {#if jar.heap_id}<ButtonLink href="/shelf/heap?heap={jar.heap_id}"
          >The heap it came from</ButtonLink
        >{/if}
      {#if jar.brew_id}<ButtonLink href="/shelf/brew?brew={jar.brew_id}"
          >The brew it came from</ButtonLink
        >{/if}
      {#if jar.subject_id}
        <Button writes onclick={() => keys.read()}>Read it</Button>
      {/if}
      {#if jar.dissolves && !jar.bottle}
        <Button writes onclick={() => (stocking = true)}>Make a stock solution</Button>
      {/if}
      {#if jar.bottle}<Button onclick={() => print()}>Print the label</Button>{/if}
    </div>
    {#if jar.poured.length}
      <h2>What was taken from it</h2>
      <ul>
        {#each jar.poured as one, index (index)}<li>{dateInWords(one.on)}: {one.text}</li>{/each}
      </ul>
    {/if}
    {#if jar.strength.length}
      <h2>How strong it was taken to be</h2>
      <ul>
        {#each jar.strength as one, index (index)}
          <li>{dateInWords(one.on)}, {one.text}: <b>{one.ec_text}</b></li>
        {/each}
      </ul>
    {/if}
    {#if jar.bottle}
      <aside class="label" aria-label="The bottle's label">
        <h2>{jar.name}</h2>
        <p>
          {jar.made_on ? `made ${dateInWords(jar.made_on)}` : ''}{jar.use_by
            ? ` · best before ${dateInWords(jar.use_by)}`
            : ''}
        </p>
        <p>
          {jar.elements.map((part) => `${part.name} ${part.likely}`).join(', ')} mg/L
        </p>
        {#if jar.usual.length}
          <ul class="uses">
            {#each jar.usual as use (use)}<li><b>{use}</b></li>{/each}
            {#if jar.not_for.length}<li>never on {jar.not_for.join(', nor on ')}</li>{/if}
          </ul>
        {:else}
          <p><b>{jar.dilute_text}</b></p>
        {/if}
        {#each jar.label_cautions as caution, at (at)}<p>{caution}</p>{/each}
      </aside>
    {/if}
    <SpreadSheet {jar} bind:open={spreading} />
    <StockSheet {jar} bind:open={stocking} onmade={(made) => searchParams.set('jar', made)} />
  {/if}
</Page>

<style>
  h2 {
    font-size: var(--text-l);
  }

  .back {
    display: inline-flex;
    align-items: center;
    width: max-content;
    min-height: var(--touch);
  }

  dl {
    display: grid;
    grid-template-columns: 40px 1fr;
    gap: var(--space-1) var(--space-2);
    margin: 0;
  }

  dt {
    font: 700 var(--text-m) / 1.4 var(--face-head);
  }

  dd {
    margin: 0;
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  ul {
    margin: 0;
    padding-left: var(--space-4);
  }

  .label {
    display: grid;
    gap: var(--space-1);
    max-width: 380px;
    padding: var(--space-3) var(--space-4);
    border: 2px solid var(--color-text);
    border-top: 8px solid var(--color-rim);
    border-radius: var(--radius);
    font-size: 0.9375rem;
  }
</style>
