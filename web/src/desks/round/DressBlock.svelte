<!-- A stop to dress with something dry, in one press. -->
<script lang="ts">
  import { ask, asSeen, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import { round } from './round.svelte';

  const { dress }: { dress: Schemas['RoundDressOut'] } = $props();
  const write = new Write();

  function give() {
    const { stand_id, portion } = dress;
    const said = `${dress.grams} g`;
    const of = { jar_id: portion.jar_id, material: '', also_said: '' };
    const body = { id: write.id(), stand_id, said, whole: true, ...of };
    const headers = asSeen(round.today.data?.edition);
    return write.send(() => ask(client.POST('/api/dressings', { body, headers })));
  }
</script>

<section aria-label={dress.name}>
  <div>
    <h2>{dress.name}: {dress.portion.text}</h2>
    <p class="soft">{dress.who}</p>
    <p>{dress.reason} Work it in shallowly, off the stems, and water it.</p>
    <Message problem={write.problem} />
  </div>
  <Button look="go" disabled={write.busy} onclick={give}>Spread</Button>
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-3);
    align-items: center;
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  h2 {
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
