<script lang="ts">
  import { tick } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import { weather } from '../../app/weather.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Page from '../../ui/Page.svelte';
  import AskBlock from './AskBlock.svelte';
  import Beside from './Beside.svelte';
  import ComingDays from './ComingDays.svelte';
  import DressBlock from './DressBlock.svelte';
  import DueBlock from './DueBlock.svelte';
  import FlushBlock from './FlushBlock.svelte';
  import { toFirstTick } from './focus';
  import NightBlock from './NightBlock.svelte';
  import NightSheet from './NightSheet.svelte';
  import OverBlock from './OverBlock.svelte';
  import RhythmNews from './RhythmNews.svelte';
  import RemindSwitch from './RemindSwitch.svelte';
  import { blocksOf, placesOf, round } from './round.svelte';
  import RoundCan from './RoundCan.svelte';
  import SowBlock from './SowBlock.svelte';
  import Waits from './Waits.svelte';

  const data = $derived(round.today.data);
  let nightly = $state(false);
  /** The week after is asked for once somebody unfolds it: it takes the plan. */
  let ahead = $state(false);
  /** The chosen stop narrows the round to it; nothing chosen is all of it. */
  const here = (placeId: string) => !garden.stop || garden.stop.id === placeId;
  const blocks = $derived((data ? blocksOf(data) : []).filter((b) => placesOf(b).some(here)));
  /** The first can that is not poured yet. */
  const inHand = $derived(
    data?.cans.find((can) => can.rows.some((row) => row.now && !row.done.length))?.id,
  );
  const beside = $derived(
    data?.asks.filter((asked) => !asked.looks.some((look) => look.first || !here(look.place_id))) ??
      [],
  );
  const left = $derived(data?.cans.find((can) => can.left)?.left ?? '');
  const trials = $derived(data?.trials.filter((task) => here(task.place_id)) ?? []);
  const waits = $derived(
    data?.waits.filter((wait) => wait.stops.some((stop) => here(stop.place_id))) ?? [],
  );
  /** Ticked without a connection: no longer to be gone to, and not done for the garden yet. */
  const unsent = $derived.by(() => {
    const rows = data?.cans.flatMap((can) => can.rows) ?? [];
    return rows.filter((row) => row.now && !row.done.length && round.waiting(row.fill_id)).length;
  });
  const sub = $derived.by(() => {
    if (!data || data.left + data.done === 0) return '';
    const done = data.done + unsent;
    return [
      data.left ? `${data.minutes} minutes` : '',
      done ? `${done} of ${data.left + data.done}` : '',
      unsent ? `${unsent} not sent yet` : '',
    ]
      .filter(Boolean)
      .join(' · ');
  });

  follow(
    () => garden.version,
    () =>
      void round.load().then(async () => {
        await tick();
        toFirstTick();
        if (ahead) await round.lookAhead();
      }),
  );
</script>

<Page
  title="{data?.title ?? 'Today'}{garden.stop ? `: ${garden.stop.name}` : ''}"
  {sub}
  of={round.today}
  waiting="Working out the round…"
>
  {#snippet acts()}
    {#if garden.stop}<Button onclick={() => garden.choose(null)}>The whole round</Button>{/if}
    {#if data?.left}<ButtonLink look="go" href="/walk">Walk</ButtonLink>{/if}
  {/snippet}
  {#if data}
    <div class="blocks">
      {#if data.away}<p class="away">{data.away}</p>{/if}
      {#if data.rhythm_new && session.owner}<RhythmNews />{/if}
      {#if data.night && data.night.place_ids.some(here)}<NightBlock night={data.night} />{/if}
      {#each blocks as block (block.key)}
        {#if block.kind === 'can'}
          <RoundCan can={block.can} inHand={block.can.id === inHand} />
        {:else if block.kind === 'flush'}
          <FlushBlock flush={block.flush} />
        {:else if block.kind === 'dress'}
          <DressBlock dress={block.dress} />
        {:else if block.kind === 'due'}
          <DueBlock due={block.due} />
        {:else}
          <AskBlock asked={block.asked} />
        {/if}
      {:else}
        <div class="calm">
          <p>
            {#if garden.stops.length === 0}
              Say what stands where, and the day's cans stand here.
            {:else if garden.stop}
              Nothing to do at {garden.stop.name} today.
            {:else if waits.some((wait) => wait.to_get)}
              Nothing on the shelf feeds what is hungry.
            {:else}
              Everything has what it needs for now{weather.data?.words
                ? `: ${weather.data.words}`
                : ''}. Water what is dry.
            {/if}
          </p>
          {#if garden.stops.length === 0}
            <ButtonLink look="go" href="/setup">Set up the garden</ButtonLink>
          {/if}
        </div>
      {/each}
      {#each data.sow.filter((one) => here(one.place_id)) as sow (sow.id)}<SowBlock {sow} />{/each}
      {#each data.over.filter((one) => here(one.place_id)) as over (over.planting_id)}
        <OverBlock {over} />
      {/each}
      {#if left}<p class="soft">{left}.</p>{/if}
      <Beside
        shed={garden.stop ? [] : data.shed}
        raising={data.raising.filter((one) => one.place_ids.some(here))}
        grounds={data.grounds}
        media={data.media}
        {trials}
      />
      {#each beside as asked (asked.what)}<AskBlock {asked} />{/each}
      <Waits {waits} leaves={garden.stop ? '' : data.leaves} />
      <ComingDays of={round.coming} bind:open={ahead} onopen={() => void round.lookAhead()}>
        {#if !data.night && !garden.stop}
          <Button writes onclick={() => (nightly = true)}>Cold tonight?</Button>
        {/if}
      </ComingDays>
      <div class="foot">
        <RemindSwitch />
        <Button onclick={() => print()}>Print</Button>
        <a href="/roots{garden.search}">What the roots say</a>
      </div>
      <NightSheet bind:open={nightly} />
    </div>
  {/if}
</Page>

<style>
  .soft {
    color: var(--color-text-soft);
  }

  .away {
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-rim);
    font-weight: 600;
  }

  .foot {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    align-items: center;
  }

  .foot a {
    min-height: var(--touch);
    padding-top: 10px;
  }

  .blocks {
    display: contents;
  }

  /* On paper the evening is one sheet in two columns, and a press is a box to tick. */
  @media print {
    .foot {
      display: none;
    }

    .blocks {
      display: block;
      columns: 2;
      column-gap: 5mm;
      zoom: 0.8;
    }

    .blocks > :global(*) {
      margin-bottom: 3mm;
      break-inside: avoid;
    }

    .blocks :global(button.quiet) {
      display: none;
    }

    .blocks :global(button.go),
    .blocks :global(button.plain) {
      min-height: 0;
      padding: 0;
      border: 0;
      background: none;
      color: inherit;
      font-weight: 600;
    }

    .blocks :global(button.go::before),
    .blocks :global(button.plain::before) {
      content: '☐ ';
    }
  }

  .calm {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    padding: var(--space-6);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
    font-size: var(--text-l);
  }
</style>
