<!-- What is to come: of the chosen planting, or of the whole garden; each feed says why. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { explainComing } from './explain';
  import GardenHabits from './GardenHabits.svelte';
  import PlanLines from './PlanLines.svelte';
  import RemedyLine from './RemedyLine.svelte';
  import { comingOf, dateShort, type Strip } from './strips';

  interface Props {
    plan: Schemas['PlanOut'];
    strip: Strip | undefined;
  }
  const { plan, strip }: Props = $props();
  const SHOWN = 6;
  const mine = (plantings: string[]) => !strip || plantings.includes(strip.planting_id);
  const coming = $derived(
    strip
      ? comingOf(strip.planting_id, plan.events, plan.today)
      : plan.events.filter((event) => event.on > plan.today),
  );
  const remedies = $derived(plan.remedies.filter((one) => mine(one.plantings)));
  const toCome = $derived(
    plan.to_come.filter((one) => !strip || one.planting_id === strip.planting_id),
  );
  const lines = $derived(
    coming[0] && strip ? plan.lines.find((one) => one.fill_id === coming[0]?.fill_id) : undefined,
  );
</script>

{#snippet feed(event: Schemas['PlanEventOut'])}
  <li>
    <button type="button" onclick={() => explainComing(event)}>
      <b>{dateShort(event.on)}</b>
      <span>{strip ? '' : `${event.name}: `}{event.text}</span>
      <u class="off-paper">why?</u>
    </button>
  </li>
{/snippet}

<section aria-label="To come">
  <div>
    <h2>{strip ? `To come for the ${strip.crop.toLowerCase()}` : 'To come'}</h2>
    {#if coming.length}
      <ul>
        {#each coming.slice(0, SHOWN) as event (event.id)}{@render feed(event)}{/each}
      </ul>
      {#if coming.length > SHOWN}
        <details>
          <summary>{coming.length - SHOWN} more in {plan.weeks} weeks</summary>
          <ul>
            {#each coming.slice(SHOWN) as event (event.id)}{@render feed(event)}{/each}
          </ul>
        </details>
      {/if}
    {:else}
      <p class="soft">No feed is due in the next {plan.weeks} weeks.</p>
    {/if}
  </div>
  <div>
    {#if remedies.length}
      <h3>Will be short</h3>
      {#each remedies as one (one.text)}<RemedyLine remedy={one} />{/each}
    {/if}
    {#if !strip}
      <h3>To buy</h3>
      {#if plan.to_buy.length}
        <ul class="plain">
          {#each plan.to_buy as one (one.text)}
            <li>
              <b>{one.amount}</b>
              {one.text}. <span class="soft">{one.cost}; {one.where}</span>
            </li>
          {/each}
        </ul>
      {:else}
        <p class="soft">Nothing: the shelf holds what these feeds take.</p>
      {/if}
    {/if}
    {#if toCome.length}
      <h3>And besides</h3>
      <ul class="plain">
        {#each toCome as one, index (index)}<li><b>{one.name}:</b> {one.text}.</li>{/each}
      </ul>
    {/if}
    {#if !strip && session.owner}<GardenHabits habits={plan.habits} />{/if}
  </div>
  {#if lines}<PlanLines {lines} {plan} />{/if}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
    gap: var(--space-4) var(--space-6);
    padding: var(--space-4) 10px 0;
  }

  h2,
  h3 {
    margin-bottom: var(--space-1);
    font-size: var(--text-l);
  }

  h3 {
    font-size: var(--text-m);
  }

  .soft {
    color: var(--color-text-soft);
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .plain li {
    padding: var(--space-1) 0;
    line-height: 1.35;
  }

  button {
    display: grid;
    grid-template-columns: 62px minmax(0, 1fr) auto;
    gap: var(--space-2);
    align-items: center;
    width: 100%;
    min-height: var(--touch);
    padding: var(--space-1) 0;
    border: 0;
    border-top: 1px solid var(--color-line);
    background: none;
    color: inherit;
    line-height: 1.3;
    text-align: left;
    cursor: pointer;
  }

  u {
    color: var(--color-rim);
  }

  summary {
    min-height: var(--touch);
    padding-top: 10px;
    cursor: pointer;
  }
</style>
