<!-- What is wrong? Where, what, and then the likely causes with the check to do first. -->
<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Page from '../../ui/Page.svelte';
  import SignMark from '../../drawings/SignMark.svelte';
  import { drawnAs, looks, POSITIONS } from './looks.svelte';
  import OpenChecks from './OpenChecks.svelte';
  import SignAnswer from './SignAnswer.svelte';

  let stand = $state('');
  let position = $state('');
  let sign = $state('');
  const data = $derived(looks.signs.data);
  const stands = $derived(garden.stops.flatMap((stop) => stop.stands));
  const standId = $derived(stand || garden.stand?.id || stands[0]?.id || '');
  const shown = $derived(data?.signs.filter((one) => one.position === position) ?? []);

  follow(
    () => garden.version,
    () => void looks.loadSigns(),
  );

  function choose(key: string) {
    sign = key;
    void looks.readSign(standId, key, {});
  }

  function move(id: string) {
    stand = id;
    if (sign) void looks.readSign(id, sign, {});
  }
</script>

<Page title="What is wrong?" sub="where on the plant, what, and what it likely is" of={looks.signs}>
  {#if stands.length === 0 && data}
    <p>Say what grows where first, and a sign can be looked up there.</p>
    <a href="/setup">Add what grows</a>
  {:else if data}
    <OpenChecks checks={data.open} />
    <div class="ask">
      <Choice
        label="On which plants?"
        labelled
        value={standId}
        options={stands.map((one) => ({ value: one.id, name: `${one.spot}: ${one.counted}` }))}
        onchange={move}
      />
      <div role="group" aria-label="Where on the plant?">
        <h2>Where on the plant?</h2>
        <div class="row">
          {#each POSITIONS as place (place)}
            <button
              type="button"
              aria-pressed={position === place}
              onclick={() => {
                position = place;
                sign = '';
              }}>{place}</button
            >
          {/each}
        </div>
      </div>
      {#if shown.length}
        <div role="group" aria-label="What do you see?">
          <h2>What do you see?</h2>
          <ul>
            {#each shown as one (one.key)}
              <li>
                <button
                  type="button"
                  aria-pressed={sign === one.key}
                  onclick={() => choose(one.key)}
                >
                  <SignMark drawn={drawnAs(one)} />
                  <span>{one.pattern}</span>
                </button>
              </li>
            {/each}
          </ul>
        </div>
      {/if}
    </div>
    {#if sign}<SignAnswer {standId} {sign} />{/if}
  {/if}
</Page>

<style>
  .ask {
    display: grid;
    gap: var(--space-4);
  }

  h2 {
    margin-bottom: var(--space-2);
    font-size: var(--text-l);
  }

  .row {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  button {
    min-height: var(--touch);
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    line-height: 1.3;
    text-align: left;
    cursor: pointer;
  }

  li button {
    display: grid;
    grid-template-columns: 56px minmax(0, 1fr);
    gap: var(--space-3);
    align-items: center;
    width: 100%;
    height: 100%;
  }

  button[aria-pressed='true'] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
    box-shadow: inset 0 0 0 1px var(--color-rim);
  }
</style>
