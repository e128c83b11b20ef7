<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { dayInWords } from '../../ui/time';

  interface Props {
    steps: Schemas['BrewOut']['steps'];
    zone: string;
  }

  const { steps, zone }: Props = $props();
</script>

<!-- What a brew wants done, in order of days; today's stands out. -->
{#if steps.length}
  <ul class="steps" aria-label="What to do, and when">
    {#each steps as one (one.kind)}
      <li class:now={one.due}>
        <b>{one.due ? 'Today' : dayInWords(one.due_at, zone)}</b>
        <span>{one.words}</span>
      </li>
    {/each}
    <li><b>Then</b><span>spent solids to the compost, or a second run</span></li>
  </ul>
{/if}

<style>
  .steps {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .steps li {
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  .steps b,
  .steps span {
    display: block;
  }

  .steps .now {
    border: 2px solid var(--color-rim);
    background: var(--color-rim-tint);
  }
</style>
