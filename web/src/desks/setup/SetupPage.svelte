<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { garden } from '../../app/garden.svelte';
  import { working } from '../../app/working.svelte';
  import Button from '../../ui/Button.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import FirstRun from './FirstRun.svelte';
  import { whereForm } from './whereForm';
  import PeopleSection from './PeopleSection.svelte';
  import PlacesSection from './PlacesSection.svelte';
  import { SetupDesk } from './setup.svelte';
  import StepForm from './StepForm.svelte';
  import SuppliesSections from './SuppliesSections.svelte';

  const desk = new SetupDesk();
  let first = $state<boolean | null>(null);

  onMount(() => {
    working.clear();
    working.folded = true;
    return () => (working.folded = false);
  });

  $effect(() => {
    void garden.version;
    untrack(() => {
      void desk.load().then(() => {
        const setup = desk.setup;
        first ??= setup ? setup.owner && !setup.places.length && !setup.jars.length : null;
      });
    });
  });
</script>

{#if desk.setup && desk.choices && first}
  <FirstRun
    setup={desk.setup}
    choices={desk.choices}
    onwritten={() => desk.load()}
    onleave={() => (first = false)}
  />
{:else if desk.setup && desk.choices}
  <div class="desk">
    <header>
      <h1>Set-up of {desk.setup.garden.name}</h1>
      <p>
        {desk.setup.garden.zone.replaceAll('_', ' ')}, {Math.abs(desk.setup.garden.latitude)}°
        {desk.setup.garden.latitude < 0 ? 'south' : 'north'}, {desk.setup.garden.measures} measures, °{desk
          .setup.garden.degrees}
        <Button
          look="quiet"
          onclick={() => desk.setup && desk.edit(whereForm(desk.setup, desk.choices ?? undefined))}
          >Change</Button
        >
      </p>
    </header>
    {#if desk.problem}<p class="trouble" role="alert">{desk.problem.message}</p>{/if}
    <PlacesSection {desk} setup={desk.setup} choices={desk.choices} />
    <SuppliesSections {desk} setup={desk.setup} />
    <PeopleSection setup={desk.setup} />
  </div>
{:else}
  <p class="desk" aria-busy={!desk.problem}>
    {desk.problem?.message ?? 'Looking over the garden…'}
  </p>
{/if}

<Sheet
  title={desk.editing?.form.title ?? ''}
  bind:open={() => desk.editing !== null, (open) => !open && (desk.editing = null)}
>
  {#if desk.editing}
    <StepForm form={desk.editing.form} given={desk.editing.given} ondone={() => desk.written()} />
  {/if}
</Sheet>

<style>
  .desk {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-4);
    max-width: 860px;
    padding: var(--space-3) 22px var(--space-8);
  }

  h1 {
    font-size: 1.5625rem;
  }

  header p {
    color: var(--color-text-soft);
  }

  .trouble {
    color: var(--color-stop);
  }
</style>
