<!-- How much each plant gets: a step at a time, or typed. -->
<script lang="ts">
  import { volume } from '../../app/measures';
  import StepBox from '../../ui/StepBox.svelte';
  import { textOf, type Typed } from '../../ui/typed';
  import type { Bench } from './bench.svelte';

  const { bench }: { bench: Bench } = $props();

  const step = $derived(bench.litres > 1 ? 0.5 : bench.litres > 0.2 ? 0.1 : 0.01);
  const trouble = $derived(bench.problem?.field === 'litres_each' && !bench.typing);

  function say(typed: Typed) {
    bench.litresSaid = textOf(typed).trim() ? typed : '';
    void bench.work();
  }

  function change(by: number) {
    const next = Math.round((bench.litres + by * step) / step) * step;
    if (next > 0) say(volume(next, 4));
  }
</script>

<StepBox
  label="How much for each plant"
  box="How much for each, or in all"
  less="Less for each"
  more="More for each"
  value={bench.litresSaid || volume(bench.litres)}
  wrong={trouble}
  onchange={say}
  onstep={change}
/>
