<script lang="ts">
  import { ec } from '../../app/measures';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { endFor } from '../../charts/frame';
  import Page from '../../ui/Page.svelte';
  import { inOrder, verdict } from './roots';
  import RootsRow from './RootsRow.svelte';

  type Line = Schemas['RootLineOut'];
  const WILD = 6; // one that runs away stays at the end of the scale
  const all = new Resource<Schemas['AllRootsOut']>();

  follow(
    () => garden.version,
    () => void all.load((signal) => ask(client.GET('/api/roots', { signal }))),
  );

  const fills = $derived(all.data?.fills ?? []);
  const rows = $derived(inOrder(fills));
  /** One scale for what drains, so that places compare. */
  const most = $derived(
    endFor(...fills.flatMap((one) => [Math.min(WILD, one.high), one.comfort_high])),
  );
</script>

{#snippet list(title: string, found: Line[])}
  {#if found.length}
    <h2>{title}</h2>
    <ul>
      {#each found as line (line.fill_id)}
        <li><RootsRow {line} {most} /></li>
      {/each}
    </ul>
  {/if}
{/snippet}

<Page title="What the roots say" of={all} waiting="Following the salts…">
  {#if all.data && !fills.length}
    <p>There is no place yet. <a href="/setup">Set up the first one.</a></p>
  {:else}
    <p role="status">{verdict(fills)}</p>
    {@render list('Before any feed', rows.wanting)}
    {@render list('To be fed', rows.given)}
    {@render list('Nothing today', rows.waiting)}
  {/if}
  {#if fills.length}
    <p class="soft">
      Bars run from 0 to {ec(most, 0)}. Dot: likely. Line: 8 in 10. Green: what suits. Beds speak of
      a paste of their soil.
    </p>
  {/if}
</Page>

<style>
  h2 {
    font-size: var(--text-l);
  }

  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .soft {
    max-width: 70ch;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
