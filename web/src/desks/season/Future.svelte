<!-- One future in a few figures, the same ones for both. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    title: string;
    future: Schemas['FutureOut'];
  }
  const { title, future }: Props = $props();
  const rows = $derived([
    ['feeds', String(future.feeds)],
    ['of their nitrogen', future.carried || 'none'],
    ['strongest', future.strongest || 'none'],
    ['first one', future.first_feed || 'none'],
    ['cost', future.money],
    ['minutes', String(future.minutes)],
    ['next picking', future.picked || 'under way, or later'],
  ]);
</script>

<section aria-label={title}>
  <h3>{title}</h3>
  <dl>
    {#each rows as [name, value] (name)}
      <dt>{name}</dt>
      <dd>{value}</dd>
    {/each}
  </dl>
  {#each Object.entries(future.short) as [stop, nutrients] (stop)}
    <p>{stop}: short of {nutrients.join(', ')}</p>
  {/each}
</section>

<style>
  section {
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  h3 {
    font-size: var(--text-m);
  }

  dl {
    display: grid;
    gap: var(--space-1);
    margin: var(--space-2) 0 0;
  }

  dt {
    color: var(--color-text-soft);
    font-size: var(--text-s);
    line-height: 1;
  }

  dd {
    margin: 0;
    font-weight: 600;
    line-height: 1.25;
  }

  p {
    margin-top: var(--space-2);
    color: var(--color-care);
    font-size: var(--text-s);
  }
</style>
