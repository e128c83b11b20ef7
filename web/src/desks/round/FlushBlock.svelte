<!-- A pot to flush, or to water plainly: one press a pour, and the reading between them. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { keys } from '../../app/keys.svelte';
  import { volume } from '../../app/measures';
  import { working } from '../../app/working.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';

  const { flush }: { flush: Schemas['RoundFlushOut'] } = $props();
  const write = new Write();
  const plan = $derived(flush.plan);

  function pour() {
    const { fill_id, water_id, flushes } = flush;
    const litres = volume(flush.litres, 4);
    const body = { id: write.id(), fill_id, water_id, water_kind: '', litres, flush: flushes };
    return write.send(() => ask(client.POST('/api/waterings', { body })), {
      label: 'Read the run-off',
      act: () => keys.read(flush.subject_id),
    });
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

<section aria-label={flush.name}>
  <div class="say">
    <h2>{flush.name}: {flush.title}</h2>
    <p class="soft">{flush.who}</p>
    <p>{flush.reason} <button type="button" class="how" onclick={how}>how?</button></p>
    {#if plan}
      <p>
        {#if plan.read_after}
          One go of {plan.each_text}, then read: {plan.aim_text} or less is the aim.
          {#if plan.goes > 1}Most likely {plan.goes - 1} more.{/if}
        {:else}
          Let each go drain before the next; look again in a week.
        {/if}
      </p>
    {/if}
    <Message problem={write.problem} />
  </div>
  <div class="acts">
    {#if flush.button}
      <Button look="go" disabled={write.busy} onclick={pour}>{flush.button}</Button>
    {/if}
    <Button onclick={() => keys.read(flush.subject_id)}>Read the run-off</Button>
  </div>
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-3) var(--space-4);
    align-items: center;
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-edge);
    border-left: 4px solid var(--color-stop);
    border-radius: 0 var(--radius) var(--radius) 0;
    break-inside: avoid;
  }

  .say {
    display: grid;
    gap: var(--space-1);
  }

  h2 {
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .how {
    min-height: var(--touch);
    margin-block: -12px;
    padding: 0 var(--space-2);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    cursor: pointer;
  }

  .acts {
    display: grid;
    gap: var(--space-2);
    max-width: 230px;
  }

  @media print {
    .acts {
      display: none;
    }
  }

  @media (width <= 700px) {
    section {
      grid-template-columns: minmax(0, 1fr);
    }

    .acts {
      max-width: none;
    }
  }
</style>
