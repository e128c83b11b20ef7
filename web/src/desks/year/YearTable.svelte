<!-- One year: each planting, each brew, each trial. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  const { page }: { page: Schemas['YearOut'] } = $props();
</script>

<section aria-label="The year {page.year}">
  <h2>What grew in {page.year}</h2>
  {#if page.grew.length === 0}<p>Nothing is written down of it.</p>{/if}
  <ul>
    {#each page.grew as one (one.planting_id + one.place)}
      <li>
        <a href="/season/planting?planting={one.planting_id}"><b>{one.name}</b></a>
        <small>{one.place}, {one.span}{one.litres ? `, ${one.litres} L poured` : ''}</small>
        <dl>
          {#each one.shares as share (share.name)}
            <div>
              <dt>{share.name}</dt>
              <dd>{share.given}<span>&nbsp;{share.wanted ? `of ${share.wanted}` : 'g'}</span></dd>
            </div>
          {/each}
        </dl>
        {#if one.picked}<p>Picked {one.picked}.</p>{/if}
      </li>
    {/each}
  </ul>
  {#if page.brewed.length}
    <h3>Brewed</h3>
    <ul class="plain">
      {#each page.brewed as one, at (at)}<li>{one.name}, {one.text}</li>{/each}
    </ul>
  {/if}
  {#if page.tried.length}
    <h3>Tried</h3>
    <ul class="plain">
      {#each page.tried as one (one.trial_id)}
        <li><a href="/trial?trial={one.trial_id}">{one.title}</a></li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    align-content: start;
  }

  h2 {
    font-size: var(--text-l);
  }

  h3 {
    font-size: var(--text-m);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 290px), 1fr));
    gap: var(--space-2) var(--space-4);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .plain {
    display: block;
  }

  li {
    padding: var(--space-2) 0;
    border-bottom: 1px dashed var(--color-line);
    break-inside: avoid;
  }

  a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  small {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  dl {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
    margin: 0;
  }

  dl div {
    display: flex;
    gap: var(--space-1);
  }

  dt {
    font: 650 var(--text-m) / 1.5 var(--face-head);
  }

  dd {
    margin: 0;
    font-weight: 600;
    white-space: nowrap;
  }

  dd span {
    color: var(--color-text-soft);
    font-weight: 400;
  }
</style>
