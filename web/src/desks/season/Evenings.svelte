<!-- The evenings on which it is fed: any number of days, none for any evening. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { EVENINGS, toggled } from './habits';

  type Evening = NonNullable<Schemas['GardenFeedingIn']['evenings']>[number];
  interface Props {
    chosen: string[];
    onchange: (evenings: Evening[]) => void;
  }
  const { chosen, onchange }: Props = $props();
</script>

<fieldset>
  <legend>Evenings for feeding{chosen.length ? '' : ': any'}</legend>
  {#each Object.entries(EVENINGS) as [day, name] (day)}
    <button
      type="button"
      aria-pressed={chosen.includes(day)}
      onclick={() => onchange(toggled(chosen, day) as Evening[])}>{name}</button
    >
  {/each}
</fieldset>

<style>
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1);
    margin: 0;
    padding: 0;
    border: 0;
  }

  legend {
    padding: 0;
    margin-bottom: var(--space-1);
  }

  button {
    min-width: var(--touch);
    min-height: var(--touch);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel);
    color: inherit;
    font: inherit;
  }

  button[aria-pressed='true'] {
    border-color: var(--color-rim);
    background: var(--color-rim-tint);
    font-weight: 600;
  }
</style>
