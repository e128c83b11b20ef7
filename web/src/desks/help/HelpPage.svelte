<script lang="ts">
  import { searchParams } from 'sv-router';
  import Page from '../../ui/Page.svelte';
  import { PAGES } from './pages';
  import Field from '../../ui/Field.svelte';
  import Cases from './Cases.svelte';
  import { searched } from './searching';
  import PracticeCan from './PracticeCan.svelte';

  const last = PAGES.length;
  const MORE = ['Six cases', 'A practice can'];
  const titles = [...PAGES.map((one) => one.title), ...MORE];
  let typed = $state('');
  const hits = $derived(searched(PAGES, typed));
  /** The page that is open, from 1; two more are the cases and, or `last`, the practice can. */
  const at = $derived.by(() => {
    const said = searchParams.get('page') ?? 1;
    if (said === 'last') return last + 2;
    return Math.min(Math.max(Math.round(Number(said)) || 1, 1), last + 2);
  });
  const page = $derived(PAGES[at - 1]);
  const title = $derived(titles[at - 1] ?? '');
  const href = (number: number) => `/help?page=${number}`;
</script>

<Page title="Help: {title}">
  <div class="guide">
    <Field label="Look for" type="search" bind:value={typed} />
    <nav aria-label="Pages of the guide">
      <ol>
        {#each titles as one, index (one)}
          <li>
            <a href={href(index + 1)} aria-current={at === index + 1 ? 'page' : undefined}>{one}</a>
          </li>
        {/each}
      </ol>
    </nav>
    {#if typed.trim()}
      <div class="hits" role="status">
        {#if hits.length}
          <ul>
            {#each hits as hit, index (index)}
              <li>
                <a href={href(hit.page)} onclick={() => (typed = '')}>{hit.title}</a>
                {hit.sentence}
              </li>
            {/each}
          </ul>
        {:else}
          <p>The guide says nothing of “{typed.trim()}”. One word may do, such as “comfrey”.</p>
        {/if}
      </div>
    {:else if page}
      <article>
        <!-- our own texts, turned to HTML when Dace is built -->
        <!-- eslint-disable-next-line svelte/no-at-html-tags -->
        {@html page.html}
        <p class="next">
          {#if at > 1}<a href={href(at - 1)}>Before: {PAGES[at - 2]?.title}</a>{/if}
          <a href={href(at + 1)}>Next: {titles[at]}</a>
        </p>
      </article>
    {:else if at === last + 1}
      <div>
        <Cases />
        <p class="next"><a href={href(at + 1)}>Next: {titles[at]}</a></p>
      </div>
    {:else}
      <PracticeCan />
    {/if}
  </div>
</Page>

<style>
  .guide {
    display: grid;
    grid-template-columns: 220px minmax(0, 68ch);
    grid-template-rows: auto 1fr;
    gap: var(--space-3) var(--space-6);
  }

  /* what is read stands beside both the box and the pages */
  .guide > :global(:last-child) {
    grid-row: 1 / 3;
    grid-column: 2;
  }

  ol,
  ul {
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

  .hits li {
    padding: var(--space-2) 0;
    border-bottom: 1px dashed var(--color-line);
    line-height: 1.4;
  }

  .hits a {
    display: block;
    min-height: 24px;
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

    .guide > :global(:last-child) {
      grid-row: auto;
      grid-column: 1;
    }

    nav {
      order: 2;
    }
  }
</style>
