<!-- A pot to flush, or to water plainly: one press a pour, and the reading between them. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { keys } from '../../app/keys.svelte';
  import { working } from '../../app/working.svelte';
  import Button from '../../ui/Button.svelte';
  import { may } from '../../ui/may.svelte';
  import ActBlock from './ActBlock.svelte';
  import { round } from './round.svelte';

  const { flush }: { flush: Schemas['RoundFlushOut'] } = $props();
  const key = $derived(`flush ${flush.fill_id}`);
  const write = $derived(round.write(key));
  const plan = $derived(flush.plan);

  function pour() {
    const act = () => keys.read(flush.subject_id);
    return round.water(key, flush, flush.flushes, { label: 'Read the run-off', act });
  }

  function how() {
    working.show({
      title: `${flush.name}: how it was got`,
      plain: flush.headline,
      steps: flush.working,
    });
    working.open();
  }
</script>

<ActBlock title="{flush.name}: {flush.title}" tone="stop" problem={write.problem}>
  <!-- the button says the litres to who may press it -->
  <p class="line" class:all={!may.write}>
    {may.write ? flush.line : flush.headline}
    <button type="button" class="how" onclick={how}>how?</button>
  </p>
  {#snippet acts()}
    <Button writes look="go" disabled={write.busy || !flush.water_id} onclick={pour}
      >{flush.button}</Button
    >
    {#if plan?.read_after}
      <Button writes onclick={() => keys.read(flush.subject_id)}
        >Read<span class="unseen"> the run-off</span></Button
      >
    {/if}
  {/snippet}
</ActBlock>

<style>
  .line {
    color: var(--color-text-soft);
  }

  @media (width <= 700px) {
    .line:not(.all) {
      display: none;
    }
  }

  .how {
    min-width: var(--touch);
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    cursor: pointer;
  }
</style>
