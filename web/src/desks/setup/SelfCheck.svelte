<!-- Whether the server found itself well last night. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import { clockTime, dayInWords } from '../../ui/time';
  import Section from './Section.svelte';

  const found = new Resource<Schemas['SelfCheckOut']>();
  follow(
    () => null,
    () => void found.load((signal) => ask(client.GET('/api/self-check', { signal }))),
  );
  const zone = $derived(garden.path?.zone ?? 'UTC');
  const when = $derived(
    found.data?.at ? `${dayInWords(found.data.at, zone)}, ${clockTime(found.data.at, zone)}` : '',
  );
</script>

{#if when}
  <Section title="Dace itself" empty="" count={1}>
    {#if found.data?.wrong.length}
      <p>Looked itself over on {when}:</p>
      <ul class="wrong">
        {#each found.data.wrong as one (one)}<li>{one}</li>{/each}
      </ul>
    {:else}
      <p>Looked itself over on {when}: database, copies, photos and disk are well.</p>
    {/if}
  </Section>
{/if}

<style>
  .wrong {
    color: var(--color-care);
  }
</style>
