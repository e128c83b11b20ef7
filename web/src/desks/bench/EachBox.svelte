<!-- How much each plant gets: a step at a time, or typed. -->
<script lang="ts">
  import { volume } from '../../app/measures';
  import type { Bench } from './bench.svelte';

  const { bench }: { bench: Bench } = $props();

  const step = $derived(bench.litres > 1 ? 0.5 : bench.litres > 0.2 ? 0.1 : 0.01);
  const trouble = $derived(bench.problem?.field === 'litres_each' && !bench.typing);

  function say(text: string) {
    bench.litresSaid = text;
    void bench.work();
  }

  function change(by: number) {
    const next = Math.round((bench.litres + by * step) / step) * step;
    if (next > 0) say(volume(next, 4));
  }
</script>

<div class="each" role="group" aria-label="How much for each plant">
  <button type="button" aria-label="Less for each" onclick={() => change(-1)}>−</button>
  <input
    aria-label="How much for each, or in all"
    value={bench.litresSaid || volume(bench.litres)}
    autocomplete="off"
    aria-invalid={trouble ? 'true' : undefined}
    onchange={(event) => say(event.currentTarget.value)}
  />
  <button type="button" aria-label="More for each" onclick={() => change(1)}>+</button>
</div>

<style>
  .each {
    display: flex;
    gap: var(--space-1);
  }

  button {
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
    width: 8ch;
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
