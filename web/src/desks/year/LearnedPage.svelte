<!-- What Dace has learned here: the evidence, where the next batch starts, and how to forget it. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import { capital } from '../../ui/words';

  const read = new Resource<Schemas['LearnedPageOut']>();
  const page = $derived(read.data);
  const write = new Write();

  follow(
    () => garden.version,
    () => void read.load((signal) => ask(client.GET('/api/learned', { signal }))),
  );

  function forget(what: string) {
    const body = { id: write.id(what), what };
    return write.send(() => ask(client.POST('/api/learned/forget', { body })));
  }
</script>

<Page title="What Dace has learned here" of={read}>
  {#snippet acts()}<a class="back" href="/year">The year</a>{/snippet}
  <Message problem={write.problem} />
  {#if page}
    <ul>
      {#each page.learned as one (one.what)}
        <li>
          <span>
            <b>{one.name}</b>
            <span>{capital(one.evidence)}; {one.starts}.</span>
          </span>
          {#if session.owner}
            <Button disabled={write.busy} onclick={() => void forget(one.what)}>
              Forget<span class="unseen"> {one.name}</span>
            </Button>
          {/if}
        </li>
      {:else}
        <li>
          {page.simulated
            ? 'Nothing: what is simulated teaches nothing.'
            : 'Nothing yet. Read a brew with the pen, and its next batch starts from there.'}
        </li>
      {/each}
    </ul>
  {/if}
</Page>

<style>
  .back {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
    align-items: center;
    justify-content: space-between;
    padding: var(--space-2) 0;
    border-bottom: 1px dashed var(--color-line);
  }

  li span span,
  li b {
    display: block;
  }
</style>
