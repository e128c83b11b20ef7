<!-- The mix that comes nearest to what the stop likes, and simpler ones, as cans to press. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import Message from '../../ui/Message.svelte';
  import { textOf } from '../../ui/typed';
  import type { Bench } from './bench.svelte';

  interface Props {
    bench: Bench;
    standId: string;
    /** A can was pressed. */
    ontake: () => void;
  }
  const { bench, standId, ontake }: Props = $props();
  const found = new Resource<Schemas['MixOut']>();

  $effect(() => {
    const body = { stand_id: standId, water_id: bench.waterId, vessel: bench.vessel };
    untrack(() => {
      void found.load((signal) => ask(client.POST('/api/bench/mix', { body, signal })));
    });
  });

  const said = (one: Schemas['MixOptionOut']) => one.sources.map((row) => row.text).join(' and ');

  function take(one: Schemas['MixOptionOut']) {
    bench.takeMix(one.sources);
    ontake();
  }
</script>

<div class="found" aria-busy={found.busy} aria-live="polite">
  <Message problem={found.problem} again={found.again} />
  {#if found.data}
    {@const mix = found.data}
    {#if mix.best.sources.length}
      <ul>
        <li>
          <button type="button" class="best" onclick={() => take(mix.best)}>
            <b>{said(mix.best)}</b>
            <span>in {textOf(bench.vessel)}: nearest to what it likes now</span>
          </button>
        </li>
        {#each mix.simpler as one (one.without)}
          <li>
            <button type="button" onclick={() => take(one)}>
              <b>{said(one)}</b>
              <span>without {one.without}: {one.costs}</span>
            </button>
          </li>
        {/each}
      </ul>
    {:else}
      <p>Plain water comes nearest: nothing on the shelf brings it closer.</p>
    {/if}
    {#if mix.bound_by.length}
      <p class="soft">In the way of coming nearer: {mix.bound_by.join('; ')}.</p>
    {/if}
    {#each mix.clashes as clash, at (at)}<p class="soft">{clash}</p>{/each}
  {:else if !found.problem}
    <p class="soft">Looking along the shelf…</p>
  {/if}
</div>

<style>
  .found,
  ul {
    display: grid;
    gap: var(--space-2);
  }

  ul {
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 210px), 1fr));
    margin: 0;
    padding: 0;
    list-style: none;
  }

  button {
    width: 100%;
    height: 100%;
    min-height: 52px;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-top: 4px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    text-align: left;
    line-height: 1.25;
    cursor: pointer;
  }

  .best {
    border-top-color: var(--color-go);
  }

  b,
  span {
    display: block;
  }

  span,
  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
