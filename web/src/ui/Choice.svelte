<script lang="ts">
  interface Props {
    /** What is chosen, spoken before the choice. */
    label: string;
    /** The chosen value. */
    value: string;
    /** What there is to choose from; a disabled one says why in its name. */
    options: { value: string; name: string; disabled?: boolean }[];
    /** Whether the label is seen, or only spoken. */
    labelled?: boolean;
    onchange?: (value: string) => void;
  }
  let { label, value = $bindable(), options, labelled = false, onchange }: Props = $props();
  const id = $props.id();
</script>

<div class="choice">
  <label for={id} class:unseen={!labelled}>{label}</label>
  <select {id} bind:value onchange={() => onchange?.(value)}>
    {#each options as option (option.value)}
      <option value={option.value} disabled={option.disabled}>{option.name}</option>
    {/each}
  </select>
</div>

<style>
  .choice {
    display: grid;
    gap: var(--space-1);
    min-width: 0;
  }

  label {
    font-weight: 550;
  }

  select {
    min-height: var(--touch);
    width: 100%;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
    text-overflow: ellipsis;
  }
</style>
