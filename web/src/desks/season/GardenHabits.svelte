<!-- How the whole garden is fed: school, rhythm, and what is to be spared. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import { capital } from '../../ui/words';
  import Evenings from './Evenings.svelte';
  import { SCHOOLS, sliderWords } from './habits';

  const { habits }: { habits: Schemas['HabitsOut'] } = $props();
  const id = $props.id();
  const write = new Write();
  let at = $derived(habits.slider);

  const choose = (body: Schemas['GardenFeedingIn']) =>
    write.send(() => ask(client.POST('/api/garden/feeding', { body })));
</script>

<div class="habits" role="group" aria-label="How the garden is fed">
  <h3>How the garden is fed</h3>
  <Message problem={write.problem} />
  <Choice
    label="School"
    value={habits.approach}
    options={Object.keys(habits.approaches).map((value) => ({
      value,
      name: SCHOOLS[value] ?? value,
    }))}
    onchange={(approach) => choose({ approach })}
  />
  <Choice
    label="How often"
    value={habits.rhythm}
    options={Object.entries(habits.rhythms).map(([value, words]) => ({
      value,
      name: capital(words),
    }))}
    onchange={(rhythm) => choose({ rhythm: rhythm as Schemas['GardenFeedingIn']['rhythm'] })}
  />
  <Evenings chosen={habits.evenings} onchange={(evenings) => choose({ evenings })} />
  <label class="weighs">
    <input
      type="checkbox"
      checked={habits.weighs}
      onchange={(event) => choose({ weighs: event.currentTarget.checked })}
    />
    I weigh: grams before spoons
  </label>
  <label for={id}>Spare money or effort: {sliderWords(at)}</label>
  <div class="slider">
    <span>money</span>
    <input
      {id}
      type="range"
      min="-1"
      max="1"
      step="0.5"
      aria-valuetext={sliderWords(at)}
      bind:value={at}
      onchange={() => choose({ slider: at })}
    />
    <span>effort</span>
  </div>
</div>

<style>
  .habits {
    display: grid;
    gap: var(--space-2);
    margin-top: var(--space-3);
  }

  h3 {
    font-size: var(--text-m);
  }

  .slider {
    display: flex;
    gap: var(--space-3);
    align-items: center;
  }

  .weighs {
    display: flex;
    gap: var(--space-3);
    align-items: center;
    min-height: var(--touch);
  }

  .weighs input {
    width: 24px;
    height: 24px;
  }

  .slider input {
    flex: 1;
    min-height: var(--touch);
    accent-color: var(--color-rim);
  }

  @media print {
    .habits {
      display: none;
    }
  }
</style>
