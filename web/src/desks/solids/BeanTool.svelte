<!-- A bean test read at the third true leaf: six pots, and what they say of the load. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import StepBox from '../../ui/StepBox.svelte';
  import { textOf } from '../../ui/typed';
  import { draftOf, keepDraft } from '../../ui/drafts';

  interface Props {
    /** The heap that the test is of, where it is one that is kept: what it says is written down. */
    heap?: { id: string };
  }
  const { heap }: Props = $props();
  interface Pot {
    curled: number;
    up: number;
  }
  const three = (): Pot[] => Array.from({ length: 3 }, () => ({ curled: 0, up: 3 }));
  let pots = $state<{ test: Pot[]; plain: Pot[] }>(
    draftOf<{ test: Pot[]; plain: Pot[] }>('beans') ?? { test: three(), plain: three() },
  );
  const found = new Resource<Schemas['BeanTestOut']>();
  const write = new Write();
  const WORDS = { suspect: 'Suspect', clean: 'Clean', repeat: 'Repeat it', void: 'Void' } as const;
  const SIDES = [
    { key: 'test', name: 'With the manure' },
    { key: 'plain', name: 'Plain mix' },
  ] as const;

  function set(pot: Pot, part: keyof Pot, to: number) {
    if (!Number.isFinite(to)) return;
    const value = Math.min(4, Math.max(0, Math.round(to)));
    pot[part] = value;
    if (part === 'up') pot.curled = Math.min(pot.curled, value);
    else pot.up = Math.max(pot.up, value);
    keepDraft('beans', pots);
    found.clear();
  }

  function keep() {
    if (!heap) return;
    const params = { path: { heap_id: heap.id } };
    const body = { id: write.id(), ...$state.snapshot(pots) };
    void write.send(() => ask(client.POST('/api/heaps/{heap_id}/beans', { params, body })));
  }

  function read() {
    const body = $state.snapshot(pots);
    void found.load((signal) => ask(client.POST('/api/solids/bean-test', { body, signal })));
  }
</script>

<p>Twenty pinches from all over, half with plain mix. Four beans a pot, thinned to three.</p>
<p>Read it at the third true leaf, after three to five weeks.</p>
<div class="sides">
  {#each SIDES as side (side.key)}
    <section aria-label={side.name}>
      <h2>{side.name}</h2>
      {#each pots[side.key] as pot, at (at)}
        <div class="pot">
          <h3>Pot {at + 1}</h3>
          <div>
            up
            <StepBox
              label="Came up, {side.name}, pot {at + 1}"
              box="How many came up"
              less="One fewer up"
              more="One more up"
              value={String(pot.up)}
              onchange={(typed) => set(pot, 'up', Number(textOf(typed)))}
              onstep={(by) => set(pot, 'up', pot.up + by)}
            />
          </div>
          <div>
            curled
            <StepBox
              label="Curled, {side.name}, pot {at + 1}"
              box="How many are curled"
              less="One fewer curled"
              more="One more curled"
              value={String(pot.curled)}
              onchange={(typed) => set(pot, 'curled', Number(textOf(typed)))}
              onstep={(by) => set(pot, 'curled', pot.curled + by)}
            />
          </div>
        </div>
      {/each}
    </section>
  {/each}
</div>
<div class="line">
  <Button look={heap ? 'plain' : 'go'} onclick={read}>What do they say?</Button>
  {#if heap}<Button writes look="go" disabled={write.busy} onclick={keep}>Write it down</Button
    >{/if}
</div>
<Message problem={write.problem} />
<Message problem={found.problem} again={found.again} />
{#if found.data}
  <div class="says {found.data.result}" role="status">
    <h2>{WORDS[found.data.result]}</h2>
    <p>{found.data.why}</p>
  </div>
{/if}

<style>
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .sides {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 330px), 1fr));
    gap: var(--space-4);
  }

  .pot {
    display: grid;
    grid-template-columns: 64px 1fr 1fr;
    gap: var(--space-2);
    align-items: center;
    padding: var(--space-2) 0;
    border-top: 1px solid var(--color-line);
  }

  h2 {
    font-size: var(--text-l);
  }

  h3 {
    font-size: var(--text-m);
  }

  .says {
    padding: var(--space-3) var(--space-4);
    border-left: 4px solid var(--color-go);
    background: var(--color-panel-low);
  }

  .suspect {
    border-left-color: var(--color-stop);
  }

  .repeat,
  .void {
    border-left-color: var(--color-care);
  }
</style>
