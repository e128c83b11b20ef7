<!-- What is measured with at home: drawn, and owned or not by a press. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import PieceDrawing from '../../drawings/PieceDrawing.svelte';
  import Button from '../../ui/Button.svelte';
  import { newId } from '../../ui/ids';
  import type { Setup } from './forms';
  import { measureAnswers } from './given';
  import { KITCHEN, offered, ownedOne, ownOnly, type AtHome } from './homeMeasures';
  import Section from './Section.svelte';
  import type { SetupDesk } from './setup.svelte';
  import { measureForm } from './supplyForms';

  interface Props {
    desk: SetupDesk;
    setup: Setup;
  }
  const { desk, setup }: Props = $props();
  const tiles = $derived(offered(setup.garden.measures));
  const own = $derived(ownOnly(setup.measures, setup.garden.measures));

  function put(kind: string, row_id: string) {
    const params = { path: { kind, row_id } };
    void desk.act(() => ask(client.POST('/api/{kind}/{row_id}/put-away', { params })));
  }

  function press(one: AtHome, held?: Schemas['OwnMeasureOut']) {
    if (held) {
      put('measures', held.id);
      return;
    }
    const { kind, name, holds, mark } = one;
    const body = { kind, name, holds, mark };
    void desk.act((measure_id) => {
      const params = { path: { measure_id } };
      return ask(client.PUT('/api/measures/{measure_id}', { params, body }));
    });
  }
</script>

{#snippet drawn(kind: string, name: string)}
  <PieceDrawing piece={{ kind, name, count: 1 }} form="liquid" />
{/snippet}

<Section
  title="Spoons and measures"
  empty=""
  count={1}
  add="Another measure"
  onadd={() => desk.edit(measureForm(newId()))}
>
  <p>Press what you have. Cans are measured in these.</p>
  <ul>
    {#each KITCHEN as one (one.name)}
      <li class="held kitchen">
        {@render drawn(one.kind, one.name)}<b>{one.name}</b><span>always</span>
      </li>
    {/each}
    {#each tiles as one (one.name)}
      {@const held = ownedOne(one, setup.measures)}
      <li>
        <button
          type="button"
          aria-pressed={held !== undefined}
          disabled={!session.owner || desk.write.busy}
          onclick={() => press(one, held)}
        >
          {@render drawn(one.kind, one.name)}<b>{one.name}</b><span>{one.holds}</span>
        </button>
      </li>
    {/each}
    {#each own as one (one.id)}
      <li>
        <button
          type="button"
          aria-pressed="true"
          aria-label="Edit: {one.name}"
          disabled={!session.owner}
          onclick={() => desk.edit(measureForm(one.id), measureAnswers(one))}
        >
          {@render drawn(one.kind, one.name)}<b>{one.name}</b><span>{one.holds_text}</span>
        </button>
        {#if session.owner}
          <Button look="quiet" onclick={() => put('measures', one.id)}>Put away: {one.name}</Button>
        {/if}
      </li>
    {/each}
    {#if session.owner}
      {#each [['cap', 'a bottle’s cap'], ['scoop', 'the pack’s scoop']] as const as [kind, name] (kind)}
        <li>
          <button type="button" onclick={() => desk.edit(measureForm(newId(), kind))}>
            {@render drawn(kind, name)}<b>{name}</b><span>add…</span>
          </button>
        </li>
      {/each}
    {/if}
  </ul>
</Section>

<style>
  p {
    color: var(--color-text-soft);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: grid;
    align-content: start;
  }

  .kitchen,
  li > button:first-child {
    display: grid;
    gap: 2px;
    align-content: end;
    justify-items: center;
    min-height: 108px;
    padding: var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    color: inherit;
    font: inherit;
    line-height: 1.2;
    text-align: center;
  }

  li > button:first-child {
    cursor: pointer;
  }

  li > button:disabled {
    cursor: default;
  }

  .held,
  li > button[aria-pressed='true'] {
    border: 2px solid var(--color-rim);
    background: var(--color-rim-tint);
  }

  li > button > span,
  .kitchen > span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
