<!-- What is wrong? Where, what it looks like, and then the likely causes with the check to do first. -->
<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import Plate from '../../drawings/plants/Plate.svelte';
  import { signMarks } from '../../drawings/plants/sign';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Page from '../../ui/Page.svelte';
  import { looks, POSITIONS } from './looks.svelte';
  import OpenChecks from './OpenChecks.svelte';
  import PartsPicture from './PartsPicture.svelte';
  import SignAnswer from './SignAnswer.svelte';

  let chosenStand = $state('');
  let position = $state('');
  let sign = $state('');
  const data = $derived(looks.signs.data);
  const stands = $derived(garden.stops.flatMap((stop) => stop.stands));
  const stand = $derived(
    stands.find((one) => one.id === chosenStand) ?? garden.stand ?? stands[0] ?? null,
  );
  const offered = $derived(
    new Set(data?.offered.find((one) => one.stand_id === stand?.id)?.signs ?? []),
  );
  const can = $derived(data?.signs.filter((one) => offered.has(one.key)) ?? []);
  const parts = $derived(POSITIONS.filter((part) => can.some((one) => one.position === part)));
  const shown = $derived(can.filter((one) => one.position === position));
  const chosen = $derived(can.find((one) => one.key === sign));

  follow(
    () => garden.version,
    () => void looks.loadSigns(),
  );

  function choose(key: string) {
    sign = key;
    if (stand) void looks.readSign(stand.id, key, {});
  }

  function move(id: string) {
    chosenStand = id;
    const still = data?.offered.find((one) => one.stand_id === id)?.signs.includes(sign);
    if (!still) sign = '';
    else void looks.readSign(id, sign, {});
  }

  function again() {
    sign = '';
    position = '';
  }
</script>

<Page
  title="What is wrong?"
  sub={stand ? `${stand.spot}: ${stand.counted}, ${stand.stage}` : ''}
  of={looks.signs}
>
  {#snippet acts()}
    {#if position}<Button onclick={again}>Start again</Button>{/if}
  {/snippet}
  {#if !stand && data}
    <p>Say what grows where first, and a sign can be looked up there.</p>
    <a href="/setup">Add what grows</a>
  {:else if data && stand}
    <OpenChecks checks={data.open} />
    {#if stands.length > 1}
      <div class="which">
        <Choice
          label="On which plants?"
          labelled
          value={stand.id}
          options={stands.map((one) => ({ value: one.id, name: `${one.spot}: ${one.counted}` }))}
          onchange={move}
        />
      </div>
    {/if}
    <div class="ask" class:found={chosen !== undefined}>
      <PartsPicture
        grown={stand.grown}
        stage={stand.stage_key}
        {parts}
        chosen={position}
        onchoose={(part) => ((position = part), (sign = ''))}
      />
      <div class="right">
        {#if !position}
          <h2>Where is it? Press the plant.</h2>
        {:else if chosen}
          <div class="chosen">
            <Plate marks={signMarks(chosen, stand.grown)} size={96} />
            <p><b>{chosen.name}</b>{chosen.pattern}</p>
            <Button onclick={() => (sign = '')}>Another</Button>
          </div>
          <SignAnswer standId={stand.id} {sign} />
        {:else}
          <div role="group" aria-label="What do you see?">
            <h2>What do you see?</h2>
            <ul>
              {#each shown as one (one.key)}
                <li>
                  <button type="button" onclick={() => choose(one.key)}>
                    <Plate marks={signMarks(one, stand.grown)} size={96} />
                    <span>{one.name}<span class="unseen">: {one.pattern}</span></span>
                  </button>
                </li>
              {/each}
            </ul>
          </div>
        {/if}
      </div>
    </div>
  {/if}
</Page>

<style>
  .which {
    max-width: 420px;
  }

  .ask {
    display: grid;
    grid-template-columns: 240px minmax(0, 1fr);
    gap: var(--space-6);
    margin-top: var(--space-3);
  }

  .right {
    display: grid;
    gap: var(--space-3);
    align-content: start;
    justify-items: start;
    min-width: 0;
  }

  .right > div {
    width: 100%;
  }

  h2 {
    margin-bottom: var(--space-2);
    font-size: var(--text-l);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li button {
    display: grid;
    gap: var(--space-1);
    align-content: start;
    justify-items: center;
    width: 100%;
    height: 100%;
    padding: var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    line-height: 1.25;
    text-align: center;
    cursor: pointer;
  }

  .chosen {
    display: flex;
    gap: var(--space-3);
    align-items: center;
    padding: var(--space-2) var(--space-3);
    border: 2px solid var(--color-rim);
    border-radius: var(--radius);
    background: var(--color-rim-tint);
  }

  .chosen p {
    flex: 1;
    margin: 0;
    line-height: 1.35;
  }

  .chosen b {
    display: block;
  }

  @media (width <= 700px) {
    /* what was pressed stands in words: the answer comes first */
    .found > :global(.parts) {
      display: none;
    }

    .chosen {
      flex-wrap: wrap;
    }

    .chosen p {
      flex-basis: 180px;
    }

    .ask {
      grid-template-columns: minmax(0, 1fr);
      gap: var(--space-3);
    }

    ul {
      grid-template-columns: repeat(2, minmax(0, 1fr));
    }
  }
</style>
