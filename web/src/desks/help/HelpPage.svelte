<script lang="ts">
  import { searchParams } from 'sv-router';
  import Page from '../../ui/Page.svelte';
  import { PAGES } from './pages';
  import PracticeCan from './PracticeCan.svelte';

  const last = PAGES.length;
  /** The page that is open, from 1; one more, or `last`, is the practice can. */
  const at = $derived.by(() => {
    const said = searchParams.get('page') ?? 1;
    if (said === 'last') return last + 1;
    return Math.min(Math.max(Math.round(Number(said)) || 1, 1), last + 1);
  });
  const page = $derived(PAGES[at - 1]);
  const title = $derived(page?.title ?? 'A practice can');
  const href = (number: number) => `/help?page=${number}`;
</script>

<Page title="Help: {title}">
  <div class="guide">
    <nav aria-label="Pages of the guide">
      <ol>
        {#each PAGES as one, index (one.title)}
          <li>
            <a href={href(index + 1)} aria-current={at === index + 1 ? 'page' : undefined}>
              {one.title}
            </a>
          </li>
        {/each}
        <li>
          <a href={href(last + 1)} aria-current={at === last + 1 ? 'page' : undefined}>
            A practice can
          </a>
        </li>
      </ol>
    </nav>
    {#if page}
      <article>
        <!-- our own texts, turned to HTML when Dace is built -->
        <!-- eslint-disable-next-line svelte/no-at-html-tags -->
        {@html page.html}
        <p class="next">
          {#if at > 1}<a href={href(at - 1)}>Before: {PAGES[at - 2]?.title}</a>{/if}
          <a href={href(at + 1)}>Next: {PAGES[at]?.title ?? 'a practice can'}</a>
        </p>
      </article>
    {:else}
      <PracticeCan />
    {/if}
  </div>
</Page>

<style>
  .guide {
    display: grid;
    grid-template-columns: 220px minmax(0, 68ch);
    gap: var(--space-6);
  }

  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  nav a {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border-left: 4px solid transparent;
    color: inherit;
    text-decoration: none;
  }

  nav a[aria-current] {
    border-left-color: var(--color-rim);
    font-weight: 600;
  }

  article :global(p) {
    margin: 0 0 var(--space-3);
    line-height: 1.5;
  }

  article :global(img) {
    display: block;
    width: 100%;
    height: auto;
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  .next {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3) var(--space-6);
  }

  .next a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  @media (width <= 1000px) {
    .guide {
      grid-template-columns: minmax(0, 1fr);
      gap: var(--space-3);
    }

    nav {
      order: 2;
    }
  }
</style>
