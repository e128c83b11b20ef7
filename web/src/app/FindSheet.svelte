<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../api/client';
  import Message from '../ui/Message.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import { allFindable, matching, type Found } from './find';
  import { garden } from './garden.svelte';
  import { goTo, keys } from './keys.svelte';
  import { Resource } from './resource.svelte';

  let typed = $state('');
  const stocked = new Resource<Schemas['SuppliesOut']>();
  const shelf = new Resource<Schemas['ShelfOut']>();
  const all = $derived(
    allFindable(garden.stops, stocked.data?.jars ?? [], shelf.data?.brews ?? []),
  );
  const found = $derived(matching(all, typed));

  $effect(() => {
    if (!keys.findOpen) return;
    typed = '';
    untrack(() => {
      void stocked.load((signal) => ask(client.GET('/api/bench', { signal })));
      void shelf.load((signal) => ask(client.GET('/api/shelf', { signal })));
    });
  });

  function go(one: Found | undefined) {
    if (!one) return;
    keys.findOpen = false;
    if (one.stop) garden.choose(one.stop);
    if (one.stand) garden.chooseStand(one.stand);
    void goTo(one.desk, {
      ...(one.jar ? { jar: one.jar } : {}),
      ...(one.brew ? { brew: one.brew } : {}),
    });
  }
</script>

<Sheet title="Find" bind:open={keys.findOpen}>
  <form
    onsubmit={(event) => {
      event.preventDefault();
      go(found[0]);
    }}
  >
    <label>
      <span class="unseen">A place, a crop, a jar, a brew or a page</span>
      <!-- svelte-ignore a11y_autofocus -->
      <input
        bind:value={typed}
        placeholder="A place, a crop, a jar, a brew or a page"
        autocomplete="off"
        autofocus
      />
    </label>
    <Message problem={stocked.problem} again={stocked.again} />
    <ul aria-live="polite">
      {#each found as one (one.id)}
        <li>
          <button type="button" onclick={() => go(one)}><b>{one.name}</b> {one.line}</button>
        </li>
      {:else}
        <li>Nothing of that name. Fewer letters may find it.</li>
      {/each}
    </ul>
  </form>
</Sheet>

<style>
  input {
    width: 100%;
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  input::placeholder {
    color: var(--color-text-soft);
    opacity: 1;
  }

  ul {
    margin: var(--space-2) 0 0;
    padding: 0;
    list-style: none;
  }

  button {
    width: 100%;
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 0;
    border-radius: var(--radius);
    background: none;
    color: var(--color-text-soft);
    text-align: left;
    cursor: pointer;
  }

  button:hover {
    background: var(--color-panel-low);
  }

  b {
    color: var(--color-text);
    font-weight: 600;
  }
</style>
