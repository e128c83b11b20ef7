<!-- Six short cases: choose, and see why. Nothing of it is written down. -->
<script lang="ts">
  import Plate from '../../drawings/plants/Plate.svelte';
  import { cases } from './cases';

  const all = cases();
  let chosen = $state<Record<string, number>>({});
  const right = $derived(all.filter((one) => one.choices[chosen[one.key] ?? -1]?.right).length);
  const tried = $derived(Object.keys(chosen).length);
</script>

<section aria-label="Six cases">
  {#each all as one (one.key)}
    {@const at = chosen[one.key]}
    {@const said = at === undefined ? undefined : one.choices[at]}
    <div class="case" role="group" aria-label={one.story}>
      <Plate marks={one.marks} size={96} />
      <div>
        <p class="story">{one.story}</p>
        <div class="choices">
          {#each one.choices as choice, index (choice.text)}
            <button
              type="button"
              aria-pressed={at === index}
              onclick={() => (chosen = { ...chosen, [one.key]: index })}>{choice.text}</button
            >
          {/each}
        </div>
        {#if said}
          <p class="said" class:right={said.right} role="status">
            <b>{said.right ? 'Yes.' : 'No.'}</b>
            {said.why}
          </p>
        {/if}
      </div>
    </div>
  {/each}
  {#if tried === all.length}<p role="status"><b>{right} of {all.length} right.</b></p>{/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-4);
  }

  .case {
    display: grid;
    grid-template-columns: 96px minmax(0, 1fr);
    gap: var(--space-3);
    align-items: start;
  }

  .story {
    margin: 0 0 var(--space-2);
    font: 600 1.0625rem / 1.35 var(--face-head);
  }

  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  button {
    min-height: var(--touch);
    padding: var(--space-1) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    text-align: left;
    cursor: pointer;
  }

  button[aria-pressed='true'] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
  }

  .said {
    margin: var(--space-2) 0 0;
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
  }

  .right {
    border-left-color: var(--color-go);
  }
</style>
