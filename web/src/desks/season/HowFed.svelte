<!-- How a planting is fed: school, rhythm, strength, the crop hoped for, and from which jars. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Message from '../../ui/Message.svelte';
  import { capital } from '../../ui/words';
  import { SCHOOLS } from './habits';

  const { page }: { page: Schemas['PlantingOut'] } = $props();
  const write = new Write();
  const fed = $derived(page.fed);
  const STRENGTHS = [
    { value: '0.5', name: 'half of what the stage wishes' },
    { value: '1', name: 'what the stage wishes' },
    { value: '1.5', name: 'half as strong again' },
    { value: '2', name: 'twice, as far as it bears' },
  ];
  const AIMS = [
    { value: '0.6', name: 'a small one' },
    { value: '1', name: 'a usual one' },
    { value: '1.3', name: 'a large one' },
    { value: '1.6', name: 'as large as can be' },
  ];
  const asGarden = $derived({
    approach: `as the garden: ${SCHOOLS[fed.garden_approach] ?? fed.garden_approach}`,
    rhythm: `as the garden: ${fed.rhythms[fed.garden_rhythm] ?? fed.garden_rhythm}`,
  });

  function choose(body: Schemas['FeedingIn']) {
    const params = { path: { planting_id: page.id } };
    return write.send(() =>
      ask(client.POST('/api/plantings/{planting_id}/feeding', { params, body })),
    );
  }

  /** None named is all of them. */
  function use(jar: string, used: boolean) {
    const all = fed.sources.length ? fed.sources : fed.jars.map((one) => one.id);
    const kept = used ? [...all, jar] : all.filter((id) => id !== jar);
    return choose({ sources: kept.length === fed.jars.length ? [] : kept });
  }
</script>

<Message problem={write.problem} />
<Choice
  label="How it is fed"
  labelled
  value={fed.approach}
  options={[
    { value: '', name: asGarden.approach },
    ...Object.entries(fed.approaches).map(([value, words]) => ({
      value,
      name: `${SCHOOLS[value] ?? value}: ${words}`,
    })),
  ]}
  onchange={(approach) => choose({ approach })}
/>
<Choice
  label="How often"
  labelled
  value={fed.rhythm}
  options={[
    { value: '', name: asGarden.rhythm },
    ...Object.entries(fed.rhythms).map(([value, words]) => ({ value, name: capital(words) })),
  ]}
  onchange={(rhythm) => choose({ rhythm: rhythm as Schemas['FeedingIn']['rhythm'] })}
/>
<Choice
  label="How strong"
  labelled
  value={String(fed.strength)}
  options={STRENGTHS}
  onchange={(strength) => choose({ strength: Number(strength) })}
/>
<Choice
  label="The crop hoped for"
  labelled
  value={String(fed.aim)}
  options={AIMS}
  onchange={(aim) => choose({ aim: Number(aim) })}
/>
{#if fed.jars.length > 1}
  <details>
    <summary>
      Fed from {fed.sources.length ? `${fed.sources.length} of ${fed.jars.length} jars` : 'any jar'}
    </summary>
    {#each fed.jars as jar (jar.id)}
      <label>
        <input
          type="checkbox"
          checked={fed.sources.length === 0 || fed.sources.includes(jar.id)}
          disabled={write.busy}
          onchange={(event) => use(jar.id, event.currentTarget.checked)}
        />
        {jar.name}
      </label>
    {/each}
  </details>
{/if}

<style>
  summary {
    min-height: var(--touch);
    padding-top: 10px;
    cursor: pointer;
  }

  label {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  input {
    width: 22px;
    height: 22px;
    accent-color: var(--color-rim);
  }
</style>
