<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
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
        first ??= found ? found.owner && !found.places.length && !found.jars.length : null;
      }),
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
    {#if setup && choices && !asking}
      <Button onclick={() => desk.edit(whereForm(setup, choices))}>Change</Button>
    {/if}
  {/snippet}
  <Message problem={desk.offered.problem} again={desk.offered.again} />
  {#if setup && choices && asking}
    <FirstRun {desk} {setup} {choices} onleave={() => (first = false)} />
  {:else if setup && choices}
    {#if !desk.editing}<Message problem={desk.write.problem} />{/if}
    <PlacesSection {desk} {setup} {choices} />
    <SuppliesSections {desk} {setup} />
    <PeopleSection {setup} />
  {/if}
</Page>

<Sheet
  title={desk.editing?.form.title ?? ''}
  bind:open={() => desk.editing !== null, (open) => !open && (desk.editing = null)}
>
  {#if desk.editing}
    {@const { form, given } = desk.editing}
    <StepForm
      {form}
      {given}
      submit={(answers) => desk.keep(form, answers)}
      ondone={() => (desk.editing = null)}
    />
  {/if}
</Sheet>
