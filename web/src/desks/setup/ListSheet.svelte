<!-- Places and plantings as a list, typed or pasted: each line with what was understood of it. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client, type Schemas } from '../../api/client';
  import { example } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { draftOf, keepDraft } from '../../ui/drafts';

  let { open = $bindable(), onkept }: { open: boolean; onkept: () => void } = $props();
  const write = new Write();
  const read = new Resource<Schemas['ListOut']>();
  const id = $props.id();
  let text = $state('');
  const shown = example(
    '10 tubs of 40 L\nBed 1-14, 3 x 1.2 m, clay\n12 chard, Bed 3, 12 April',
    '10 tubs of 10 gallon\nBed 1-14, 10 x 4 ft, clay\n12 chard, Bed 3, 12 April',
  );
  const wrong = $derived(read.data?.lines.filter((one) => one.trouble).length ?? 0);

  $effect(() => {
    if (open) untrack(() => (text = draftOf<string>('garden list') ?? ''));
  });

  follow(
    () => [open, text] as const,
    () => {
      if (!open) return;
      keepDraft('garden list', text);
      if (text.trim())
        read.soon((signal) => ask(client.POST('/api/setup/list/read', { body: { text }, signal })));
      else read.clear();
    },
  );

  async function keep() {
    const body = { id: write.id(), text };
    if (!(await write.send(() => ask(client.POST('/api/setup/list', { body }))))) return;
    keepDraft('garden list', '');
    open = false;
    onkept();
  }
</script>

<SheetForm title="A list of what is there" {write} submit="Keep it all" {keep} bind:open>
  <label for={id}>One a line: places, then what grows in them</label>
  <textarea {id} bind:value={text} rows="7" placeholder={shown} spellcheck="false"></textarea>
  {#if read.data && text.trim()}
    <p aria-live="polite">
      {read.data.places} places, {read.data.plantings} plantings{wrong
        ? `; ${wrong} not understood`
        : ''}
    </p>
    <ol>
      {#each read.data.lines as line (line.number)}
        <li class:wrong={line.trouble}>
          <span>{line.text}</span>
          <b>{line.trouble || line.said}</b>
        </li>
      {/each}
    </ol>
  {/if}
</SheetForm>

<style>
  textarea {
    width: 100%;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
    color: inherit;
    font: inherit;
  }

  ol {
    display: grid;
    gap: var(--space-1);
    max-height: 40vh;
    margin: 0;
    padding: 0;
    overflow: auto;
    list-style: none;
  }

  li {
    padding-left: var(--space-2);
    border-left: 3px solid var(--color-go);
  }

  .wrong {
    border-left-color: var(--color-stop);
  }

  .wrong b {
    color: var(--color-stop);
  }

  li span {
    display: block;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  b {
    font-weight: 550;
  }
</style>
