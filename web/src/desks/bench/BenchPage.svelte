<script lang="ts">
  import { onMount } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import { working } from '../../app/working.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import DressingSheet from '../season/DressingSheet.svelte';
  import { Bench } from './bench.svelte';
  import CanBench from './CanBench.svelte';
  import BenchPicks from './BenchPicks.svelte';
  import DryBench from './DryBench.svelte';
  import LaidOutCan from './LaidOutCan.svelte';
  import LeafBench from './LeafBench.svelte';
  import SourceRows from './SourceRows.svelte';
  import BenchTitle from './BenchTitle.svelte';
  import { explanation } from './explain';
  import PaperFoot from './PaperFoot.svelte';
  import PlainBar from './PlainBar.svelte';
  import QuestionBar from './QuestionBar.svelte';
  import PourBar from './PourBar.svelte';
  import StageSheet from './StageSheet.svelte';
  import VerdictBox from './VerdictBox.svelte';
  import VerdictFacts from './VerdictFacts.svelte';

  const bench = new Bench();
  const preview = $derived(bench.preview);
  const stand = $derived(garden.stand);
  const verdict = $derived(garden.verdict);
  /** Whether a can is mixed here: where one is due, or she writes one down anyway. */
  const mixing = $derived(
    !verdict || bench.anyway || (verdict.kind === 'feed' && verdict.portion !== null),
  );
  /** Whether the can stands, or is about to, as the verdict has it. */
  const laid = $derived(
    bench.plainly || (mixing && verdict !== null && !bench.ready && !bench.anyway),
  );
  const plain = $derived(bench.supplies?.waters.find((one) => one.id === verdict?.water_id));
  const slow = $derived(verdict?.kind === 'dress' ? verdict.portion : null);
  const plantingOf = (standId: string) =>
    garden.stop?.stands.find((one) => one.id === standId)?.planting_id ?? '';
  let staging = $state(false);
  let stood: string | undefined;
  let dressing = $state(false);

  /** The working opens with one plain sentence. */
  const lead = $derived(verdict ? verdict.reason : '');

  onMount(() => {
    return () => working.clear();
  });

  // Another stop, or something written: fetch what stands here and work the can out anew.
  follow(
    () => [garden.stand?.id, garden.stand?.stage_key, garden.version] as const,
    ([standId]) => {
      if (standId !== stood) bench.leave();
      stood = standId;
      bench.litresSaid = '';
      void bench.load();
    },
  );

  // The working follows the can, for whichever number was asked about.
  $effect(() => {
    if (bench.route === 'leaves') return;
    if (!mixing || bench.route === 'dry') {
      working.advice = [];
      working.show(
        verdict
          ? {
              title: 'How we worked it out',
              steps: verdict.working,
              plain: lead,
              also: verdict?.rhythm ?? '',
            }
          : null,
      );
      return;
    }
    if (!preview) return;
    // what stands on the desk itself is not said twice
    working.advice = preview.advice.filter((one) => one.key !== 'over_cap');
    working.show({
      ...explanation(preview, bench.asked),
      plain: lead,
      also: verdict?.rhythm ?? '',
    });
  });
</script>

{#snippet question()}
  {#if verdict?.question && garden.spot}
    <QuestionBar
      question={verdict.question}
      said={false}
      {plantingOf}
      subjectId={garden.spot.subject_id}
      onlook={() => (staging = true)}
    />
  {/if}
{/snippet}

{#if bench.supplies && bench.supplies.jars.length === 0}
  <Page title="The Bench wants a jar">
    <p>A dose takes a jar, a can and your water.</p>
    <a href="/setup">Set up a jar</a>
  </Page>
{:else}
  <div class="bench" aria-busy={mixing && !preview}>
    <BenchTitle {bench} {mixing} onlook={() => (staging = true)} />
    {#if verdict && garden.spot}
      <VerdictBox
        {verdict}
        {plantingOf}
        subjectId={garden.spot.subject_id}
        asks={!mixing || !laid}
        onlook={() => (staging = true)}
      />
    {/if}
    {#if mixing && garden.path && bench.supplies && bench.route === 'roots' && !laid}
      <BenchPicks {bench} />
      <SourceRows {bench} />
    {/if}
    <Message problem={bench.stocked.problem} again={() => void bench.load()} />
    {#if bench.route === 'leaves'}
      <LeafBench {bench} />
    {:else if bench.route === 'dry'}
      <DryBench onspread={() => (dressing = true)} />
    {:else if mixing}
      {#if laid && preview}
        <LaidOutCan
          {bench}
          {preview}
          who={stand?.crop.toLowerCase() ?? ''}
          question={verdict?.question ? question : undefined}
        />
      {:else if !laid && garden.path}
        <CanBench {bench} />
      {/if}
      <PourBar {bench} onplain={() => bench.pourPlain()} />
    {:else if verdict}
      <VerdictFacts {verdict} reads={plain?.ec.split(' ')[0] ?? ''} />
      <PlainBar
        {verdict}
        onlook={() => (staging = true)}
        ondress={() => (dressing = true)}
        onanyway={() => bench.feedAnyway()}
      />
    {/if}
    <PaperFoot {bench} {mixing} {laid} />
  </div>
{/if}
{#if stand}
  <StageSheet
    plantingId={stand.planting_id}
    crop={stand.crop}
    cropKey={stand.crop_key}
    stageKey={stand.stage_key}
    bind:open={staging}
  />
  {#if slow || bench.route === 'dry'}
    <DressingSheet
      standId={stand.id}
      who="{stand.counted}, {stand.spot}"
      usual={slow?.words.split(' (')[0] ?? '100 g/m2'}
      jarId={slow?.jar_id ?? ''}
      bind:open={dressing}
    />
  {/if}
{/if}

<style>
  .bench {
    display: flex;
    flex-direction: column;
    min-height: 100%;
  }
</style>
