<!-- Brews, heaps and green manure with something to do today: each step ticked here; what asks for more, on its own page. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { capital } from '../../ui/words';
  import TickBox from './TickBox.svelte';
  import { round } from './round.svelte';

  type Step = Schemas['RoundShedOut'];
  const { shed }: { shed: Step[] } = $props();

  const PAGES = {
    brew: '/shelf/brew?brew=',
    heap: '/shelf/heap?heap=',
    green: '/season?green=',
  } as const;

  function sent(step: Step, id: string) {
    if (step.of === 'heap') {
      const params = { path: { heap_id: step.id } };
      const kind = step.kind as Schemas['HeapStepIn']['kind'];
      const body = { id, kind, litres: '' };
      return ask(client.POST('/api/heaps/{heap_id}/steps', { params, body }));
    }
    if (step.of === 'green') {
      const params = { path: { green_id: step.id } };
      return ask(
        client.POST('/api/green/{green_id}/cut', {
          params,
          body: { stand: 'flower', dug_in: true },
        }),
      );
    }
    const params = { path: { brew_id: step.id } };
    const body = { id, kind: step.kind };
    return ask(client.POST('/api/brews/{brew_id}/steps', { params, body }));
  }

  function tick(step: Step) {
    const write = round.write(step.id + step.kind);
    return write.send(() => sent(step, write.id()));
  }
</script>

{#if shed.length}
  <section aria-labelledby="shed">
    <h2 id="shed">In the shed</h2>
    <ul>
      {#each shed as step (step.id + step.kind + step.words)}
        <li>
          {#if step.kind}
            <button
              type="button"
              disabled={round.write(step.id + step.kind).busy}
              onclick={() => tick(step)}
            >
              <TickBox done={false} />
              <span><b>{step.name}</b> {step.words}</span>
            </button>
          {:else}
            <a href="{PAGES[step.of]}{step.id}"><b>{step.name}</b> {capital(step.words)}</a>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  h2 {
    padding: var(--space-2) var(--space-4) 0;
    font-size: var(--text-l);
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    border-top: 1px solid var(--color-line);
  }

  li:first-child {
    border-top: 0;
  }

  a,
  button {
    display: flex;
    gap: var(--space-4);
    align-items: center;
    width: 100%;
    min-height: 52px;
    padding: var(--space-1) var(--space-4);
    border: 0;
    background: none;
    color: inherit;
    text-align: left;
    text-decoration: none;
    cursor: pointer;
  }

  a {
    gap: var(--space-2);
    text-decoration: underline;
    text-underline-offset: 3px;
  }
</style>
