<script lang="ts">
  import { onMount, type Snippet } from 'svelte';
  import type { Resource } from '../app/resource.svelte';
  import { working } from '../app/working.svelte';
  import Message from './Message.svelte';
  import TableSwitch from './TableSwitch.svelte';

  interface Props {
    title: string;
    /** A line below the title. */
    sub?: string;
    /** What the page shows; its failure and its waiting are said here. */
    of?: Resource<unknown>;
    /** What is being worked out while the first answer is awaited. */
    waiting?: string;
    /** Whether the working stands open beside it. */
    open?: boolean;
    /** It draws charts, which can be tables. */
    charts?: boolean;
    acts?: Snippet;
    children?: Snippet;
  }
  const {
    title,
    sub = '',
    of,
    waiting = 'One moment…',
    open = false,
    charts = false,
    acts,
    children,
  }: Props = $props();
  const awaited = $derived(of !== undefined && of.data === null && !of.problem);

  onMount(() => {
    working.clear();
    working.folded = !open;
    return () => {
      working.clear();
      working.folded = false;
    };
  });
</script>

<svelte:head><title>{title} · Dace</title></svelte:head>

<!-- A page with its head: title, acts, what went wrong, what is awaited. -->
<section aria-busy={of ? of.busy || awaited : undefined}>
  <header>
    <div>
      <h1>{title}</h1>
      {#if sub}<p class="soft">{sub}</p>{/if}
    </div>
    {#if acts || charts}
      <div class="acts">
        {@render acts?.()}
        {#if charts}<TableSwitch />{/if}
      </div>
    {/if}
  </header>
  {#if of}<Message problem={of.problem} again={of.again} />{/if}
  {#if awaited}
    <div class="waiting">
      <p class="soft">{waiting}</p>
      <progress aria-label={waiting}></progress>
    </div>
  {/if}
  {@render children?.()}
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-4);
    align-content: start;
    padding: var(--space-3) 22px var(--space-8);
  }

  header,
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    align-items: flex-start;
    justify-content: space-between;
  }

  .acts {
    align-items: center;
    justify-content: flex-end;
  }

  h1 {
    font-size: 1.5625rem;
  }

  .soft {
    color: var(--color-text-soft);
  }

  .waiting {
    display: grid;
    gap: var(--space-1);
    max-width: 420px;
  }

  progress {
    width: 100%;
    accent-color: var(--color-rim);
  }

  @media print {
    .acts {
      display: none;
    }
  }

  @media (width <= 700px) {
    section {
      gap: var(--space-3);
      padding-inline: var(--space-4);
    }

    header > :global(:first-child) {
      flex: 1 1 55%;
    }
  }
</style>
