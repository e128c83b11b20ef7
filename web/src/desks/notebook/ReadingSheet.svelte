<script lang="ts">
  import { untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { SCALES } from '../../app/measures';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';
  import WordMark from '../place/WordMark.svelte';
  import { NewReading } from './reading.svelte';
  import ReadingHow from './ReadingHow.svelte';

  interface Props {
    /** What the pen is in, where that is known. */
    subjectId: string;
    open: boolean;
  }
  let { subjectId, open = $bindable() }: Props = $props();
  const reading = new NewReading();
  const FIELDS = ['value', 'temperature_c', 'parts_water', 'taken_at', 'pots'];

  $effect(() => {
    if (open) untrack(() => void reading.load(subjectId));
  });

  // What the number means is said at once, as it is typed or dipped.
  $effect(() => {
    const { value, scale, method, subjectId: of, compensates, temperature } = reading;
    if (open && value + scale + method + of + String(compensates) + temperature) {
      untrack(() => reading.mean());
    }
  });

  const found = $derived(reading.found);
  const subjects = $derived(found?.subjects ?? []);
  const pen = $derived(found?.pens.find((one) => one.id === reading.penId));
  /** Too strong for most pens: how it was thinned is asked at once. */
  const strong = $derived(reading.subject?.kind === 'brew' || reading.subject?.parts_water);
  const trouble = (field: string) => reading.write.trouble(field);

  async function keep() {
    if (await reading.keep()) open = false;
  }
</script>

{#snippet nothingYet()}
  {#if found}
    <p>Nothing to read yet: pour a can, or set up a place or water.</p>
    <a href="/setup" onclick={() => (open = false)}>To the set-up</a>
  {:else if reading.readables.problem}
    <Message problem={reading.readables.problem} again={() => void reading.load(subjectId)} />
  {:else}
    <p aria-busy="true">Looking what there is to read…</p>
  {/if}
{/snippet}

<!-- One sheet from the first: another in its place would lose where the focus came from. -->
<SheetForm
  title="What does the pen say?"
  bind:open
  write={reading.write}
  fields={FIELDS}
  instead={subjects.length ? undefined : nothingYet}
  {keep}
>
  <Choice
    label="The pen is in"
    labelled
    bind:value={() => reading.subjectId, (id) => reading.choose(id)}
    options={subjects.map((one) => ({ value: one.id, name: one.name }))}
  />
  {#if reading.subject?.advice}<p class="soft">{reading.subject.advice}</p>{/if}
  <div class="pair">
    <Field
      label="It shows"
      inputmode="decimal"
      autocomplete="off"
      bind:value={reading.value}
      trouble={trouble('value')}
    />
    <Choice label="Scale" labelled bind:value={reading.scale} options={SCALES} />
  </div>
  {#if reading.meant.data}
    <p role="status">
      <WordMark word={reading.meant.data.word} />{reading.meant.data.text}
    </p>
  {/if}
  {#if pen}
    {#if pen.sends}<Button onclick={() => reading.dip()}>Dip {pen.name}</Button>
    {:else if !reading.value || reading.practice}
      <Button look="quiet" onclick={() => reading.dip(true)}>Practise with a pretend pen</Button>
    {/if}
    {#if reading.practice}
      <p class="soft" role="status">Practice: this number is made up, and will weigh nothing.</p>
    {/if}
    <p class="soft">
      {pen.name}, {pen.trust}.
      <a href="/pen{garden.search}" onclick={() => (open = false)}>About your pens</a>
    </p>
  {/if}
  {#if !reading.compensates}
    <Field
      label="The liquid has, °{found?.degrees}"
      inputmode="decimal"
      autocomplete="off"
      bind:value={reading.temperature}
      trouble={trouble('temperature_c')}
    />
  {/if}
  {#if strong}
    <Field
      label="Diluted before it was read, 1 +"
      inputmode="decimal"
      autocomplete="off"
      hint="Leave it out if it was not."
      bind:value={reading.parts}
      trouble={trouble('parts_water')}
    />
  {/if}
  <ReadingHow {reading} thinned={!strong} />
</SheetForm>

<style>
  .pair {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-3);
    align-items: start;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
