<script lang="ts">
  import { degreesNumber, degreesUnit, ec } from '../../app/measures';
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { keys } from '../../app/keys.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import { capital } from '../../ui/words';

  const steps = $derived([
    'Rinse the tip with rain water and shake it dry; wipe nothing.',
    `Stir it in a standard of 1.413 mS/cm at about ${degreesNumber(25)} ${degreesUnit()}.`,
    'Turn its screw, or hold its button, until it shows 1.41. Rinse it again.',
    'Press “Calibrated today” here: from now on its age counts anew.',
  ]);
  const setup = new Resource<Schemas['SetupOut']>();
  const write = new Write();
  const pens = $derived(setup.data?.pens ?? null);

  follow(
    () => garden.version,
    () => void setup.load((signal) => ask(client.GET('/api/setup', { signal }))),
  );

  function setRight(pen_id: string) {
    const params = { path: { pen_id } };
    return write.send(() => ask(client.POST('/api/pens/{pen_id}/calibrate', { params })));
  }
</script>

<!-- The pens: how far each can be trusted, and how to set one right. -->
<Page title="Your pens" of={setup} waiting="Looking for your pens…">
  <Message problem={write.problem} />
  {#each pens ?? [] as pen (pen.id)}
    <article aria-label={pen.name}>
      <h2>{pen.name}</h2>
      <p>
        {capital(pen.trust)}. It shows up to {ec(pen.most_ms_cm, 0)}
        in steps of {pen.step_ms_cm}, and
        {pen.compensates ? 'corrects for warmth by itself' : 'wants the temperature beside it'}.
      </p>
      <div class="acts">
        <Button writes look="go" onclick={() => setRight(pen.id)}>Calibrated today</Button>
        <Button writes onclick={() => keys.read()}>Read something</Button>
      </div>
    </article>
  {:else}
    {#if pens}<p>No pen yet. <a href="/setup">Add one in the set-up.</a></p>{/if}
  {/each}
  <h2>To set a pen right</h2>
  <ol>
    {#each steps as step (step)}<li>{step}</li>{/each}
  </ol>
  <p class="soft">After sixty days without, Dace trusts its readings less.</p>
</Page>

<style>
  article {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
  }

  h2 {
    font-size: var(--text-l);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .soft {
    color: var(--color-text-soft);
  }
</style>
