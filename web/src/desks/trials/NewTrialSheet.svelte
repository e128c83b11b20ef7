<!-- A trial to begin: two sides, one measure, what would be worth it; then the coins. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { navigate } from '../../app/way';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Field from '../../ui/Field.svelte';
  import { typedNumber } from '../../ui/numbers';
  import SheetForm from '../../ui/SheetForm.svelte';
  import { trials, twinsOf, withTwins } from './trials.svelte';

  interface Props {
    data: Schemas['TrialsOut'];
    open: boolean;
  }
  let { data, open = $bindable() }: Props = $props();
  const write = new Write();
  const HAND = '';
  let [fedAt, unfedAt, jar, feed] = $state(['', '', '', '']);
  let [measure, waits, worthwhile, exclusions] = $state(['harvest_g', 'drench', '30', '']);
  let [paired, toss] = $state([true, true]);
  const could = $derived(withTwins(data.stands));
  const fed = $derived(could.find((one) => one.stand_id === fedAt) ?? could[0]);
  const twins = $derived(fed ? twinsOf(data.stands, fed.stand_id) : []);
  const unfed = $derived(
    twins.find((one) => one.stand_id === unfedAt) ?? twins.find((one) => !one.fed) ?? twins[0],
  );
  const even = $derived(fed?.pots === unfed?.pots);
  const percent = $derived(typedNumber(worthwhile));
  const before = $derived(trials.before.data);
  const named = (stands: Schemas['TrialStandOut'][]) =>
    stands.map((one) => ({
      value: one.stand_id,
      name: `${one.name}: ${one.pots === 1 ? 'one pot' : `${one.pots} pots`}, ${one.who}`,
    }));

  $effect(() => {
    if (!open || !fed || !percent || percent <= 0) return;
    const units = Math.min(fed.pots, unfed?.pots ?? fed.pots);
    trials.askBefore({
      units,
      paired: paired && even,
      worthwhile_percent: percent,
      measure,
      waits,
    });
  });

  async function keep() {
    if (!fed || !unfed) return;
    if (!percent) return write.refuse('worthwhile', worthwhile, 'a percentage such as 30 would do');
    const body = {
      id: write.id(),
      fed_stand_id: fed.stand_id,
      unfed_stand_id: unfed.stand_id,
      jar_id: jar || null,
      feed,
      measure,
      waits,
      worthwhile_percent: percent,
      exclusions,
      paired: paired && even,
      toss: toss && even,
      judge_on: null,
    };
    const sent = await write.send(() => ask(client.POST('/api/trials', { body })));
    if (!sent) return;
    open = false;
    await navigate('/trial', { trial: sent.id });
  }
</script>

<SheetForm
  title="Begin a trial"
  bind:open
  {write}
  fields={['worthwhile', 'feed']}
  submit={toss && even ? 'Toss the coins' : 'Begin it'}
  {keep}
>
  <Choice
    label="Fed"
    labelled
    options={named(could)}
    bind:value={() => fed?.stand_id ?? '', (id) => (fedAt = id)}
  />
  <Choice
    label="Unfed, with the same water"
    labelled
    options={named(twins)}
    bind:value={() => unfed?.stand_id ?? '', (id) => (unfedAt = id)}
  />
  <Choice
    label="What is tried"
    labelled
    bind:value={jar}
    options={[
      { value: HAND, name: 'something else, in words' },
      ...data.jars.map((one) => ({ value: one.id, name: one.name })),
    ]}
  />
  {#if jar === HAND}
    <Field label="The feed" bind:value={feed} trouble={write.trouble('feed')} />
  {/if}
  <Choice
    label="How it is given"
    labelled
    bind:value={waits}
    options={data.waits.map((one) => ({ value: one.key, name: one.name }))}
  />
  <Choice
    label="The one measure that counts"
    labelled
    bind:value={measure}
    options={data.measures.map((one) => ({ value: one.key, name: one.name }))}
  />
  <Field
    label="A gain worth it, in percent"
    inputmode="decimal"
    bind:value={worthwhile}
    trouble={write.trouble('worthwhile')}
  />
  {#if even}
    <label class="tick"
      ><input type="checkbox" bind:checked={toss} /> Toss coins for who is fed</label
    >
    <label class="tick">
      <input type="checkbox" bind:checked={paired} /> In pairs: line pots up by size, neighbours are a
      pair
    </label>
  {:else}
    <p>More stand on one side: they are compared as they are, without pairs.</p>
  {/if}
  <Field
    label="What leaves a pair out, said now"
    hint="such as slugs, or a broken top"
    bind:value={exclusions}
  />
  {#if before}
    <p class="before" aria-live="polite"><b>{before.text}</b> {before.judge_text}</p>
  {/if}
</SheetForm>

<style>
  .before {
    padding: var(--space-3);
    border-left: 4px solid var(--color-care);
    background: var(--color-care-tint);
  }

  .tick {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  .tick input {
    width: 22px;
    height: 22px;
    flex: none;
  }
</style>
