<!-- What a heap comes to: drawn with its warmth, what it lacks, when it is ready, what comes out. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '../../api/client';
  import { working } from '../../app/working.svelte';
  import Button from '../../ui/Button.svelte';
  import AdviceList from './AdviceList.svelte';
  import HeapDrawing from './HeapDrawing.svelte';

  interface Props {
    heap: Schemas['HeapOut'];
    /** A box for a reading, where one may be thought of. */
    reading?: Snippet;
  }
  const { heap, reading }: Props = $props();

  function how() {
    working.show({ title: 'How the heap was worked out', steps: heap.working });
    working.open();
  }
</script>

<section aria-label="What it comes to" aria-live="polite">
  <HeapDrawing layers={heap.layers} warmth={heap.warmth} />
  <div class="says">
    <h2>{heap.ready}</h2>
    <progress aria-label="How far it is" max="1" value={heap.progress}></progress>
    <p>C:N {heap.ratio || 'not known'} · {heap.moisture} water</p>
    {#if heap.add.length}
      <p class="care"><b>Mix in</b> {heap.add.join(', then ')}</p>
    {/if}
    <AdviceList said={heap.said} />
  </div>
  <div class="out">
    <h2>{heap.out}</h2>
    {#if heap.shares.length}
      <dl>
        {#each heap.shares as one (one.name)}
          <div>
            <dt>{one.name}</dt>
            <dd>{one.text}<span>{one.range_text}</span></dd>
          </div>
        {/each}
      </dl>
      <p>{heap.first_season}</p>
      <div class="line">
        {@render reading?.()}
        <Button look="quiet" onclick={how}>how?</Button>
      </div>
      <details>
        <summary>Is it ready?</summary>
        <p>{heap.ready_test}</p>
        <p>{heap.reads}</p>
      </details>
    {/if}
  </div>
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(180px, 260px) minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-4);
    padding: var(--space-3) 0;
    border-top: 1px solid var(--color-line);
  }

  .says,
  .out {
    display: grid;
    gap: var(--space-2);
    align-content: start;
  }

  .line {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
    align-items: center;
  }

  h2 {
    font-size: var(--text-l);
  }

  dd span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-weight: 400;
  }

  .care b {
    color: var(--color-care);
  }

  progress {
    width: 100%;
    accent-color: var(--color-go);
  }

  dl {
    display: grid;
    margin: 0;
  }

  dl div {
    display: grid;
    grid-template-columns: 40px 1fr;
    border-bottom: 1px dashed var(--color-line);
  }

  dt {
    font: 650 var(--text-l) / 1.5 var(--face-head);
  }

  dd {
    display: flex;
    justify-content: space-between;
    margin: 0;
    font-weight: 600;
  }

  summary {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    cursor: pointer;
  }

  @media (width <= 1000px) {
    section {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
