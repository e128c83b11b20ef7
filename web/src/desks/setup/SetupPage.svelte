<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import { session } from '../../app/session.svelte';
  import { steps } from '../../app/steps.svelte';
  import { draftOf } from '../../ui/drafts';
  import Button from '../../ui/Button.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Message from '../../ui/Message.svelte';
  import Page from '../../ui/Page.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import FirstRun from './FirstRun.svelte';
  import PeopleSection from './PeopleSection.svelte';
  import PlacesSection from './PlacesSection.svelte';
  import { SetupDesk } from './setup.svelte';
  import StepForm from './StepForm.svelte';
  import SuppliesSections from './SuppliesSections.svelte';
  import { whereForm } from './whereForm';

  const desk = new SetupDesk();
  const setup = $derived(desk.setup);
  const choices = $derived(desk.choices);
  let first = $state<boolean | null>(null);
  const asking = $derived(first === true && setup !== null && choices !== null);
  const where = $derived.by(() => {
    if (!setup) return '';
    const { zone, latitude, measures, degrees } = setup.garden;
    const side = latitude < 0 ? 'south' : 'north';
    return `${zone.replaceAll('_', ' ')}, ${Math.abs(latitude)}° ${side}, ${measures} measures, °${degrees}`;
  });

  follow(
    () => garden.version,
    () =>
      void desk.load().then(() => {
        const found = desk.setup;
        if (!found) return;
        const none = session.owner && !found.places.length && !found.jars.length;
        first ??= draftOf('first') !== null || none;
      }),
  );
  // The browser's Back before the first step closes the sheet.
  follow(
    () => steps.open,
    (open) => !open && desk.editing && desk.close(),
  );
</script>

<Page
  title={asking && setup
    ? `${setup.garden.name}, from the beginning`
    : `Set-up${setup ? ` of ${setup.garden.name}` : ''}`}
  sub={asking ? '' : where}
  of={desk.kept}
  waiting="Looking over the garden…"
>
  {#snippet acts()}
    <ButtonLink href="/exchange">In and out</ButtonLink>
    {#if setup && choices && !asking && session.owner}
      <Button onclick={() => desk.edit(whereForm(setup, choices, true))}>Change</Button>
    {/if}
  {/snippet}
  <Message problem={desk.offered.problem} again={desk.offered.again} />
  {#if setup && choices && asking}
    <FirstRun {desk} {setup} {choices} onleave={() => (first = false)} />
  {:else if setup && choices}
    {#if !session.owner}<p>You help here: the owner changes what stands on this page.</p>{/if}
    {#if !desk.editing}<Message problem={desk.write.problem} />{/if}
    <PlacesSection {desk} {setup} {choices} />
    <SuppliesSections {desk} {setup} />
    <PeopleSection {setup} />
  {/if}
</Page>

<Sheet
  title={desk.editing?.form.title ?? ''}
  bind:open={() => desk.editing !== null, (open) => !open && desk.close()}
>
  {#if desk.editing}
    {@const { form, given, typed } = desk.editing}
    <StepForm
      {form}
      {given}
      {typed}
      onanswer={(answers) => desk.typed(answers)}
      submit={(answers, over) => desk.keep(form, answers, over)}
      ondone={() => desk.close()}
      ontake={() => void desk.take()}
    />
  {/if}
</Sheet>
