<!-- What is done besides feeding: brews and heaps, young plants, trials; each a row. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { capital } from '../../ui/words';
  import BesideRow from './BesideRow.svelte';
  import RaisingRow from './RaisingRow.svelte';
  import { round } from './round.svelte';

  type Step = Schemas['RoundShedOut'];
  type Task = Schemas['RoundTrialOut'];
  interface Props {
    shed: Step[];
    raising: Schemas['RoundRaisingOut'][];
    grounds: Schemas['RoundGroundOut'][];
    media: Schemas['RoundMediumOut'][];
    trials: Task[];
  }
  const { shed, raising, grounds, media, trials }: Props = $props();

  const PAGES = {
    brew: '/shelf/brew?brew=',
    heap: '/shelf/heap?heap=',
    green: '/season?green=',
  } as const;

  function sent(step: Step, id: string) {
    if (step.of === 'heap') {
      const params = { path: { heap_id: step.id } };
      const kind = step.kind as Schemas['HeapStepIn']['kind'];
      const body = { id, kind, litres: '' };
      return ask(client.POST('/api/heaps/{heap_id}/steps', { params, body }));
    }
    if (step.of === 'green') {
      const params = { path: { green_id: step.id } };
      return ask(
        client.POST('/api/green/{green_id}/cut', {
          params,
          body: { stand: 'flower', dug_in: true },
        }),
      );
    }
    const params = { path: { brew_id: step.id } };
    const body = { id, kind: step.kind };
    return ask(client.POST('/api/brews/{brew_id}/steps', { params, body }));
  }

  function tick(step: Step) {
    const write = round.write(step.id + step.kind);
    return write.send(() => sent(step, write.id()));
  }

  const keyOf = (task: Task) => `trial ${task.trial_id}`;
</script>

{#if shed.length + raising.length + trials.length}
  <section aria-labelledby="beside">
    <h2 id="beside">Besides feeding</h2>
    <ul>
      {#each raising as one (one.stand_id + one.kind)}
        <RaisingRow raising={one} {grounds} {media} />
      {/each}
      {#each shed as step (step.id + step.kind + step.words)}
        <BesideRow
          name={step.name}
          words={step.kind ? step.words : capital(step.words)}
          busy={round.write(step.id + step.kind).busy}
          problem={round.write(step.id + step.kind).problem}
          ontick={step.kind ? () => void tick(step) : undefined}
          href={PAGES[step.of] + step.id}
        />
      {/each}
      {#each trials as task (task.trial_id + task.kind)}
        <BesideRow
          name={task.title}
          words={task.text || 'Judge it'}
          busy={round.write(keyOf(task)).busy}
          problem={round.write(keyOf(task)).problem}
          ontick={task.kind === 'water' ? () => void round.water(keyOf(task), task) : undefined}
          href="/trial?trial={task.trial_id}"
        />
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  h2 {
    padding: var(--space-2) var(--space-4) 0;
    font-size: var(--text-l);
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
</style>
