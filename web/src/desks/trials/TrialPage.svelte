<!-- One trial: its verdict, every pot as a dot, what would be enough, what kept it fair. -->
<script lang="ts">
  import { searchParams } from 'sv-router';
  import { ask, client } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import { dateInWords } from '../../ui/time';
  import GainBar from './GainBar.svelte';
  import LeaveOutSheet from './LeaveOutSheet.svelte';
  import MeasureSheet from './MeasureSheet.svelte';
  import PotDots from './PotDots.svelte';
  import SaidList from './SaidList.svelte';
  import { trials } from './trials.svelte';

  const id = $derived(String(searchParams.get('trial') ?? ''));
  const trial = $derived(trials.one.data);
  const write = new Write();
  let [measuring, leaving] = $state([false, false]);
  const some = $derived(trial?.pots.some((pot) => pot.figure !== null) ?? false);

  follow(
    () => [id, garden.version] as const,
    ([trial_id]) => {
      if (trial?.id !== trial_id) trials.one.clear();
      if (trial_id) void trials.load(trial_id);
    },
  );

  $effect(() => {
    if (!trial) return;
    working.show({
      title: 'How we worked it out',
      plain:
        'If the feed did nothing, each pair is a coin’s throw. We ' +
        'count how often that would look at least as good.',
      also: 'You feed when plants look worst, and they mend anyway. A twin that got only water tells the two apart.',
      steps: trial.working,
    });
  });

  function end(feed_again: boolean) {
    const params = { path: { trial_id: id } };
    const body = { feed_again };
    return write.send(() => ask(client.POST('/api/trials/{trial_id}/end', { params, body })));
  }
</script>

<Page title={trial?.title ?? 'A trial'} sub={trial?.sub ?? ''} of={trials.one} charts={some}>
  {#snippet acts()}
    <a class="back" href="/trials">All trials</a>
    {#if trial && !trial.ended_on}
      <Button writes look={some ? 'plain' : 'go'} onclick={() => (measuring = true)}
        >Measure each pot</Button
      >
    {/if}
    <Button onclick={() => print()}>Print</Button>
  {/snippet}
  {#if trial}
    <div class="verdict {trial.verdict}">
      <h2>{trial.headline}</h2>
      <p>{trial.text}</p>
      {#if trial.earlier}<p>{trial.earlier}</p>{/if}
    </div>
    <p class="coins">{trial.lay_out}</p>
    {#if some}
      <GainBar {trial} />
      <div class="two">
        <div><PotDots {trial} /></div>
        <div class="side">
          <SaidList
            title="What would be enough"
            rows={[
              { name: trial.enough || trial.before, text: '', good: null },
              {
                name: trial.ended_on ? 'ended' : 'judge it on',
                text: dateInWords(trial.ended_on ?? trial.judge_on),
                good: null,
              },
            ]}
          />
          <SaidList title="Only hints" rows={trial.hints} />
          <SaidList title="Kept fair by" rows={trial.fair} />
        </div>
      </div>
    {:else}
      <p>{trial.before} Judge it on {dateInWords(trial.judge_on)}.</p>
      <SaidList title="Kept fair by" rows={trial.fair} />
    {/if}
    <Message problem={write.problem} />
    {#if !trial.ended_on}
      <div class="acts">
        <Button writes onclick={() => (leaving = true)}>Leave a pot out</Button>
        <Button writes disabled={write.busy} onclick={() => end(false)}
          >End it, the unfed stay unfed</Button
        >
        <Button writes disabled={write.busy} onclick={() => end(true)}
          >End it, and feed them all</Button
        >
      </div>
      <MeasureSheet {trial} bind:open={measuring} />
      <LeaveOutSheet {trial} bind:open={leaving} />
    {/if}
  {/if}
</Page>

<style>
  .verdict {
    padding-left: var(--space-4);
    border-left: 6px solid var(--color-edge);
  }

  .helped {
    border-color: var(--color-go);
  }

  .harmed {
    border-color: var(--color-stop);
  }

  h2 {
    font-size: 1.75rem;
  }

  .coins {
    color: var(--color-text-soft);
  }

  .two {
    display: grid;
    grid-template-columns: minmax(0, 1.8fr) minmax(200px, 1fr);
    gap: var(--space-6);
  }

  .side {
    display: grid;
    gap: var(--space-4);
    align-content: start;
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  .back {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
  }

  @media (width <= 760px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }

  @media print {
    .acts {
      display: none;
    }
  }
</style>
