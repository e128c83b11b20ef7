<script lang="ts">
  import { volume } from '../../app/measures';
  import { keys } from '../../app/keys.svelte';
  import { working } from '../../app/working.svelte';
  import { Write } from '../../app/write.svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';

  interface Props {
    flush: Schemas['FlushOut'];
    fillId: string;
    subjectId: string;
  }
  const { flush, fillId, subjectId }: Props = $props();
  const write = new Write();
  const all = $derived(flush.done + flush.goes);
  const readAfter = $derived(flush.read_next ? flush.done - 1 : flush.done);
  const goes = $derived(Array.from({ length: all }, (_, index) => index));

  function pour() {
    const litres = volume(flush.each_l, 4);
    const { water_id } = flush;
    const body = { id: write.id(), fill_id: fillId, water_id, water_kind: '', litres, flush: true };
    return write.send(() => ask(client.POST('/api/waterings', { body })));
  }

  function how() {
    working.show({ title: 'How the flush was got', steps: flush.working });
    working.open();
  }
</script>

<!-- A flush in goes: tick each as it is poured, and read the drain after each. -->
<section aria-label="Flush">
  <h2>{flush.text}</h2>
  {#if flush.range_text}<p class="soft">
      {flush.range_text}; each go slowly, until it has sunk in.
      <button type="button" class="how" onclick={how}>how?</button>
    </p>{/if}
  <ol>
    {#each goes as go (go)}
      <li class:done={go < flush.done} class:next={go === flush.done}>
        <b>{go < flush.done ? '✓ ' : ''}Go {go + 1}</b>
        <span>{go < flush.done ? 'poured' : flush.each_text}</span>
      </li>
      {#if flush.reads && go === readAfter}
        <li class="read"><b>Read</b><span>the drain</span></li>
      {/if}
    {/each}
  </ol>
  {#if flush.after_text}<p>{flush.after_text}</p>{/if}
  <Message problem={write.problem} />
  <div class="acts">
    {#if flush.read_next}
      <Button writes look="go" onclick={() => keys.read(subjectId)}>Read the drain now</Button>
    {/if}
    {#if flush.goes}
      <Button writes look={flush.read_next ? 'plain' : 'go'} disabled={write.busy} onclick={pour}>
        Poured {flush.each_text}
      </Button>
    {/if}
    {#if !flush.read_next}
      <Button writes onclick={() => keys.read(subjectId)}>Read the drain</Button>
    {/if}
  </div>
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-3) var(--space-4);
    border: 2px solid var(--color-rim);
    border-radius: var(--radius);
    background: var(--color-rim-tint);
  }

  h2 {
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
  }

  .how {
    min-height: var(--touch);
    margin-block: -10px;
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    cursor: pointer;
  }

  ol {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    min-width: 74px;
    padding: var(--space-1) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel);
  }

  li b,
  li span {
    display: block;
    line-height: 1.3;
  }

  .next {
    border: 2px solid var(--color-rim);
  }

  .done {
    background: var(--color-wish);
  }

  .read {
    border-style: dashed;
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }
</style>
