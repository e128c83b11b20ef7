<!-- What something is mixed in: typed, or one of her own. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { volume } from '../../app/measures';
  import { textOf, typedOver, type Typed } from '../../ui/typed';

  interface Props {
    /** Can or Sprayer, spoken. */
    label: string;
    value: Typed;
    vessels: Schemas['VesselOut'][];
    wrong: boolean;
    oninput: () => void;
  }
  let { label, value = $bindable(), vessels, wrong, oninput }: Props = $props();
  const id = $props.id();
  let before = $state<Typed>('');
</script>

<label>
  <span class="unseen">{label}</span>
  <input
    value={textOf(value)}
    list="{id}-own"
    autocomplete="off"
    aria-invalid={wrong ? 'true' : undefined}
    onfocus={() => (before = value)}
    oninput={(event) => {
      value = typedOver(before, event.currentTarget.value);
      oninput();
    }}
  />
</label>
<datalist id="{id}-own">
  {#each vessels as vessel (vessel.id)}
    <option value={volume(vessel.volume_l, 4)}>{vessel.name}</option>
  {/each}
</datalist>

<style>
  input {
    width: 9ch;
    min-height: var(--touch);
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  input[aria-invalid] {
    border-color: var(--color-stop);
  }
</style>
