<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  interface Props extends HTMLInputAttributes {
    /** What the field asks for. */
    label: string;
    /** What it holds, exactly as typed. */
    value: string;
    /** A sentence about what was read, when it cannot be used. */
    trouble?: string;
    /** A word of help below. */
    hint?: string;
  }
  let { label, value = $bindable(), trouble = '', hint = '', ...rest }: Props = $props();
  const id = $props.id();
</script>

<div class="field">
  <label for={id}>{label}</label>
  <input
    {id}
    bind:value
    aria-invalid={trouble ? 'true' : undefined}
    aria-describedby={trouble || hint ? `${id}-said` : undefined}
    {...rest}
  />
  {#if trouble || hint}
    <p id="{id}-said" class:trouble={trouble !== ''}>{trouble || hint}</p>
  {/if}
</div>

<style>
  .field {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-1);
  }

  label {
    font-weight: 550;
  }

  input {
    min-height: var(--touch);
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  input[aria-invalid] {
    border-color: var(--color-stop);
    border-width: 2px;
  }

  p {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
