<!-- A value typed, or stepped down and up by the buttons on either side of it. -->
<script lang="ts">
  import { textOf, typedOver, type Typed } from './typed';

  interface Props {
    /** What it is of, spoken for the three together. */
    label: string;
    /** What the box holds, and what each button does, spoken. */
    box: string;
    less: string;
    more: string;
    value: Typed;
    /** Whether what it holds cannot be used. */
    wrong?: boolean;
    describedby?: string;
    /** Typed: at each stroke, or once it is left. */
    oninput?: (typed: Typed) => void;
    onchange?: (typed: Typed) => void;
    onstep: (by: 1 | -1) => void;
  }
  const {
    label,
    box,
    less,
    more,
    value,
    wrong = false,
    describedby,
    oninput,
    onchange,
    onstep,
  }: Props = $props();
  /** What it held when it was pressed: a bare number is of that. */
  let before = $state<Typed>('');
</script>

<div role="group" aria-label={label}>
  <button type="button" aria-label={less} onclick={() => onstep(-1)}>−</button>
  <input
    aria-label={box}
    value={textOf(value)}
    autocomplete="off"
    spellcheck="false"
    aria-invalid={wrong ? 'true' : undefined}
    aria-describedby={describedby}
    onfocus={() => (before = value)}
    oninput={(event) => oninput?.(typedOver(before, event.currentTarget.value))}
    onchange={(event) => onchange?.(typedOver(before, event.currentTarget.value))}
  />
  <button type="button" aria-label={more} onclick={() => onstep(1)}>+</button>
</div>

<style>
  div {
    display: flex;
    gap: var(--space-1);
  }

  button {
    flex: none;
    width: var(--touch);
    height: var(--touch);
    border: 1px solid var(--color-edge);
    border-radius: 50%;
    background: none;
    font-size: var(--text-xl);
    line-height: 1;
    cursor: pointer;
  }

  input {
    width: 9ch;
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
    text-align: center;
  }

  input[aria-invalid] {
    border-color: var(--color-stop);
  }
</style>
