<!-- What is made of solids: a heap, a mix, green manure, mulch, a test of manure. -->
<script lang="ts">
  import { searchParams } from 'sv-router';
  import { ask, client, type Schemas } from '../../api/client';
  import { follow, Resource } from '../../app/resource.svelte';
  import Page from '../../ui/Page.svelte';
  import BeanTool from './BeanTool.svelte';
  import GreenTool from './GreenTool.svelte';
  import HeapTool from './HeapTool.svelte';
  import MixTool from './MixTool.svelte';
  import MulchTool from './MulchTool.svelte';

  const TOOLS = [
    { key: 'heap', name: 'Heap' },
    { key: 'mix', name: 'Soil mix' },
    { key: 'green', name: 'Green manure' },
    { key: 'mulch', name: 'Mulch' },
    { key: 'beans', name: 'Bean test' },
  ] as const;
  const read = new Resource<Schemas['SolidsOut']>();
  const offered = $derived(read.data);
  const of = $derived(String(searchParams.get('of') ?? 'heap'));

  follow(
    () => 0,
    () => void read.load((signal) => ask(client.GET('/api/solids', { signal }))),
  );
</script>

<Page title="Heap and mixes" sub="worked out as you think, kept when you press" of={read}>
  <nav aria-label="What to work out">
    {#each TOOLS as tool (tool.key)}
      <a href="/heap?of={tool.key}" aria-current={of === tool.key ? 'page' : undefined}>
        {tool.name}
      </a>
    {/each}
  </nav>
  {#if offered}
    {#if of === 'mix'}
      <MixTool {offered} />
    {:else if of === 'green'}
      <GreenTool {offered} />
    {:else if of === 'mulch'}
      <MulchTool {offered} />
    {:else if of === 'beans'}
      <BeanTool />
    {:else}
      <HeapTool {offered} />
    {/if}
  {/if}
</Page>

<style>
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
    padding: 0 var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-round);
    color: inherit;
    text-decoration: none;
  }

  a[aria-current] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
    font-weight: 600;
  }

  @media print {
    nav {
      display: none;
    }
  }
</style>
