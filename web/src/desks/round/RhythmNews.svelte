<!-- Said once, where an upgrade changed how often the garden is fed. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';

  const write = new Write();
  const choose = (rhythm: Schemas['GardenFeedingIn']['rhythm']) =>
    write.send(() => ask(client.POST('/api/garden/feeding', { body: { rhythm } })));
</script>

<section aria-label="How often the garden is fed">
  <p>Now fed as often as the plants need it, no longer once a week.</p>
  <Message problem={write.problem} />
  <Button onclick={() => choose('as_needed')}>Good so</Button>
  <Button onclick={() => choose('weekly')}>Stay weekly</Button>
</section>

<style>
  section {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-3);
    align-items: center;
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
  }

  p {
    flex: 1 1 16rem;
  }

  @media print {
    section {
      display: none;
    }
  }
</style>
