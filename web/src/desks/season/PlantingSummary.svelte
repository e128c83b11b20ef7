<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import type { Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import KindMark from '../../ui/KindMark.svelte';
  import StageSheet from '../bench/StageSheet.svelte';
  import DressingSheet from './DressingSheet.svelte';
  import { explainStage } from './explain';

  interface Props {
    page: Schemas['PlantingOut'];
    /** Whether the page of the planting is where this stands already. */
    whole?: boolean;
  }
  let { page, whole = false }: Props = $props();
  let stageOpen = $state(false);
  let dryOpen = $state(false);
  const verdict = $derived(page.verdict);
  const at = $derived(page.place_id ? `?stop=${page.place_id}` : garden.search);
  const toBench = (jar: string) => `/bench${at}${at ? '&' : '?'}jar=${jar}`;
</script>

<div class="summary">
  {#if verdict}
    <p class="verdict"><KindMark kind={verdict.kind} />{verdict.headline}</p>
    <p>{verdict.reason}</p>
    {#if verdict.button}
      <a class="act" href="/bench{at}">{verdict.button}</a>
    {/if}
    {#if verdict.offers.length > 1}
      <h3>Or from your shelf</h3>
      <ul>
        {#each verdict.offers.slice(1) as offer (offer.key)}
          <li>
            {#if offer.vessel_l}<a href={toBench(offer.jar_id)}>{offer.text}</a>
            {:else}{offer.text}{/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if verdict.rhythm}<p class="soft">{verdict.rhythm}</p>{/if}
  {/if}
  {#if !whole}<p class="who"><b>{page.counted}</b>, {page.place}</p>{/if}
  <p class="stage">
    <span>{page.stage}{page.question ? '?' : ''}</span>
    <button type="button" class="how" onclick={() => explainStage(page)}>how?</button>
  </p>
  {#if page.question}<p class="ask">{page.question}</p>{/if}
  {#each page.said as said, at (at)}<p class="soft">{said}.</p>{/each}
  {#if !page.ended_on}
    <div class="acts">
      <Button writes look={page.question ? 'go' : 'plain'} onclick={() => (stageOpen = true)}>
        I see a change
      </Button>
      <Button writes onclick={() => (dryOpen = true)}>Give a dry feed</Button>
    </div>
    <p class="soft">{page.ledger.next_text}</p>
  {/if}
  {#if !whole}
    <a
      class="page"
      href="/season/planting?planting={page.id}{page.place_id ? `&stop=${page.place_id}` : ''}"
      >All about this planting</a
    >
  {/if}
</div>
{#if page.stand_id}
  <StageSheet
    plantingId={page.id}
    crop={page.crop}
    cropKey={page.crop_key}
    stageKey={page.stage_key}
    bind:open={stageOpen}
  />
  <DressingSheet
    usual={page.usual_dry}
    standId={page.stand_id}
    who="{page.counted}, {page.place}"
    bind:open={dryOpen}
  />
{/if}

<style>
  .summary {
    display: grid;
    gap: var(--space-2);
    align-content: start;
  }

  .stage {
    display: flex;
    align-items: center;
    gap: var(--space-2);
    font: 600 var(--text-xl) / 1.15 var(--face-head);
  }

  .stage span {
    display: inline-block;
  }

  .stage span::first-letter {
    text-transform: uppercase;
  }

  .how {
    min-width: var(--touch);
    min-height: var(--touch);
    border: 0;
    background: none;
    color: var(--color-rim);
    font: 400 var(--text-s) / 1 var(--face-text);
    text-decoration: underline;
    cursor: pointer;
  }

  .ask {
    padding: var(--space-2) var(--space-3);
    border-left: 4px solid var(--color-rim);
    background: var(--color-rim-tint);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .verdict {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    font: 650 var(--text-l) / 1.25 var(--face-head);
  }

  .act {
    display: inline-flex;
    align-items: center;
    width: max-content;
    min-height: var(--touch);
    padding: 0 var(--space-4);
    border-radius: var(--radius);
    background: var(--color-go);
    color: var(--color-on-go);
    font-weight: 600;
    text-decoration: none;
  }

  h3 {
    font-size: var(--text-m);
  }

  ul {
    display: grid;
    gap: var(--space-1);
    margin: 0;
    padding-left: var(--space-4);
    font-size: var(--text-s);
  }

  .page {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  @media print {
    .acts,
    .how,
    .page {
      display: none;
    }
  }
</style>
