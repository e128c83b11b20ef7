<!-- A heap that stands: how far it is, what it wants, what went in, and what it becomes. -->
<script lang="ts">
  import { searchParams } from 'sv-router';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import { dateInWords } from '../../ui/time';
  import { capital } from '../../ui/words';
  import BeanTool from './BeanTool.svelte';
  import HeapSays from './HeapSays.svelte';
  import HeapSheets from './HeapSheets.svelte';

  const id = $derived(String(searchParams.get('heap') ?? ''));
  const read = new Resource<Schemas['KeptHeapOut']>();
  const heap = $derived(read.data);
  const write = new Write();
  let sheet = $state('');
  const stands = $derived(heap !== null && heap !== undefined && heap.emptied_on === null);
  type Step = Schemas['HeapStepIn']['kind'];
  const PRESSES: Record<string, string> = {
    turn: 'Turned',
    wet: 'Watered',
    beans: 'Beans sown',
    empty: 'Empty it',
    read_beans: 'Read it below',
  };

  follow(
    () => [id, garden.version] as const,
    ([heap_id]) => {
      if (heap?.id !== heap_id) read.clear();
      const params = { path: { heap_id } };
      if (heap_id)
        void read.load((signal) => ask(client.GET('/api/heaps/{heap_id}', { params, signal })));
    },
  );

  function step(kind: Step) {
    const params = { path: { heap_id: id } };
    const body = { id: write.id(), kind, litres: '' };
    return write.send(() => ask(client.POST('/api/heaps/{heap_id}/steps', { params, body })));
  }

  function act(kind: string) {
    if (kind === 'empty') sheet = 'empty';
    else if (kind === 'read_beans') document.getElementById('beans')?.scrollIntoView();
    else void step(kind as Step);
  }

  function heat(hot: boolean) {
    const params = { path: { heap_id: id } };
    return write.send(() =>
      ask(client.PUT('/api/heaps/{heap_id}/heat', { params, body: { hot } })),
    );
  }
</script>

<Page
  title={heap?.name ?? 'A heap'}
  sub={heap ? `${heap.method} · begun ${dateInWords(heap.begun_on)}` : ''}
  of={read}
  waiting="Working out the heap…"
  open
>
  {#snippet acts()}<a class="back" href="/shelf{garden.search}">Back to the shelf</a>{/snippet}
  {#if heap}
    <Message problem={write.problem} />
    {#if stands && heap.steps.length}
      <ul class="steps" aria-label="What it wants">
        {#each heap.steps as one (one.kind)}
          <li class:now={one.due}>
            <b>{one.due ? 'Today' : dateInWords(one.on)}</b>
            <span>{capital(one.words)}</span>
            {#if one.due}
              <Button writes look="go" disabled={write.busy} onclick={() => act(one.kind)}>
                {PRESSES[one.kind] ?? 'Done'}
              </Button>
            {/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if heap.hot}<p class="care">{heap.hot}.</p>{/if}
    {#if heap.beans}<p class="care">{heap.beans}</p>{/if}
    {#if !stands}
      <p>
        Emptied {dateInWords(heap.emptied_on ?? '')}.
        {#if heap.jar_id}<a href="/shelf/jar?jar={heap.jar_id}">What it became</a>{/if}
      </p>
    {/if}
    <HeapSays heap={heap.heap} />
    {#if stands}
      <div class="acts">
        <Button writes look="go" onclick={() => (sheet = 'add')}>Put something on</Button>
        {#if heap.brews.length}
          <Button writes onclick={() => (sheet = 'spent')}>What a brew left</Button>
        {/if}
        <Button writes disabled={write.busy} onclick={() => void step('turn')}>Turned</Button>
        <Button writes onclick={() => (sheet = 'wet')}>Watered</Button>
        <Button
          writes
          disabled={write.busy}
          onclick={() => void step(heap.covered ? 'uncover' : 'cover')}
        >
          {heap.covered ? 'Uncovered' : 'Covered'}
        </Button>
        {#if heap.drains}<Button writes onclick={() => (sheet = 'drain')}>Drain it</Button>{/if}
        <Button writes onclick={() => (sheet = 'test')}>Test it</Button>
        {#if heap.heap.shares.length}
          <Button writes onclick={() => (sheet = 'empty')}>Empty it</Button>
        {/if}
      </div>
      {#if heap.raw || heap.heat_record}
        <label class="heat">
          <input
            type="checkbox"
            checked={heap.heat_record}
            onchange={(event) => void heat(event.currentTarget.checked)}
          />
          55 °C for 15 days, turned five times, written down
        </label>
      {/if}
      <details id="beans">
        <summary>Bean test</summary>
        <BeanTool heap={{ id: heap.id }} />
      </details>
    {/if}
    <div class="lists">
      <section>
        <h2>What went in</h2>
        <ul>
          {#each heap.laid as one, at (at)}<li>{dateInWords(one.on)}: {one.text}</li>{/each}
        </ul>
      </section>
      {#if heap.events.length}
        <section>
          <h2>What was done</h2>
          <ul>
            {#each heap.events as one, at (at)}<li>{dateInWords(one.on)}: {one.text}</li>{/each}
          </ul>
        </section>
      {/if}
    </div>
    <HeapSheets {heap} bind:sheet />
    {#if !stands && heap.jar_id}
      <div><ButtonLink href="/shelf/jar?jar={heap.jar_id}">Spread it</ButtonLink></div>
    {/if}
  {/if}
</Page>

<style>
  .back {
    display: inline-flex;
    align-items: center;
    width: max-content;
    min-height: var(--touch);
  }

  .steps {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .steps li {
    display: grid;
    gap: var(--space-1);
    justify-items: start;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  .steps .now {
    border: 2px solid var(--color-rim);
    background: var(--color-rim-tint);
  }

  .care {
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .heat {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  .heat input {
    width: 24px;
    height: 24px;
  }

  summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    font-weight: 600;
    cursor: pointer;
  }

  .lists {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
    gap: var(--space-4);
  }

  h2 {
    font-size: var(--text-l);
  }

  .lists ul {
    margin: 0;
    padding-left: var(--space-4);
  }
</style>
