<!-- Something to look at: one question, answered in a press. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { goTo } from '../../app/keys.svelte';
  import QuestionBar from '../bench/QuestionBar.svelte';

  const { look }: { look: Schemas['RoundLookOut'] } = $props();
  const after = $derived(look.question.after.map((one) => `${one.answer}: ${one.leads_to}`));

  /** To the stop's own page on the Bench, where every stage can be said. */
  function further() {
    const stop = garden.stops.find((one) => one.id === look.place_id);
    if (stop) garden.choose(stop);
    void goTo('/bench');
  }
</script>

<section class:first={look.first} aria-label="Look: {look.name}">
  <h2>{look.name}</h2>
  {#if look.first && after.length}<p class="soft">{after.join(' · ')}</p>{/if}
  <QuestionBar
    question={look.question}
    plantingOf={() => look.planting_id ?? ''}
    subjectId={look.subject_id}
    onlook={further}
  />
</section>

<style>
  section {
    display: grid;
    gap: var(--space-1);
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  .first {
    border-color: var(--color-edge);
    border-left: 4px solid var(--color-care);
    border-radius: 0 var(--radius) var(--radius) 0;
  }

  h2 {
    font-size: var(--text-m);
  }

  .first h2 {
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
  }
</style>
