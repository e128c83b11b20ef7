<!-- Next year proposed from this one, rotated; each accepted in a press. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import { dateInWords } from '../../ui/time';

  const read = new Resource<Schemas['NextYearOut']>();
  const next = $derived(read.data);
  const write = new Write();

  follow(
    () => garden.version,
    () => void read.load((signal) => ask(client.GET('/api/year/next', { signal }))),
  );

  function accept(one: Schemas['ProposedOut']) {
    const { fill_id, crop, called, count, sow_on } = one;
    const body = { id: write.id(one.planting_id), fill_id, crop, called, count, sow_on };
    return write.send(() => ask(client.POST('/api/intended', { body })));
  }

  function drop(one: Schemas['MeantOut']) {
    const params = { path: { row_id: one.id } };
    return write.send(() => ask(client.POST('/api/intended/{row_id}/drop', { params })));
  }
</script>

<Message problem={read.problem} again={read.again} />
<Message problem={write.problem} />
{#if next}
  {#if next.meant.length}
    <section aria-labelledby="meant">
      <h2 id="meant">Meant to be sown</h2>
      <ul>
        {#each next.meant as one (one.id)}
          <li>
            <span>
              <b>{one.name}</b>
              <small>{one.place}, {dateInWords(one.sow_on)}</small>
            </span>
            {#if session.owner}
              <Button disabled={write.busy} onclick={() => void drop(one)}>
                Drop<span class="unseen"> {one.name}</span>
              </Button>
            {/if}
          </li>
        {/each}
      </ul>
    </section>
  {/if}
  {#if next.proposed.length}
    <section aria-labelledby="proposed">
      <h2 id="proposed">{next.year}, proposed</h2>
      <ul>
        {#each next.proposed as one (one.planting_id)}
          <li>
            <span>
              <b>{one.name}</b>
              <small>{one.place}, {dateInWords(one.sow_on)}; {one.why}</small>
              {#if one.against}<small class="care">{one.against}</small>{/if}
            </span>
            {#if session.owner}
              <Button look="go" disabled={write.busy} onclick={() => void accept(one)}>
                Yes<span class="unseen">, {one.name}</span>
              </Button>
            {/if}
          </li>
        {/each}
      </ul>
    </section>
  {/if}
{/if}

<style>
  section {
    display: grid;
    gap: var(--space-2);
  }

  h2 {
    font-size: var(--text-l);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 320px), 1fr));
    gap: 0 var(--space-4);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    gap: var(--space-3);
    align-items: center;
    justify-content: space-between;
    padding: var(--space-2) 0;
    border-bottom: 1px dashed var(--color-line);
  }

  small {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .care {
    color: var(--color-care);
  }
</style>
