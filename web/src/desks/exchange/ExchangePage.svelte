<script lang="ts">
  import { counted } from '../../ui/language';
  import { ask, client, type Reply } from '../../api/client';
  import { asItIs } from '../../api/files';
  import { garden } from '../../app/garden.svelte';
  import { session } from '../../app/session.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Page from '../../ui/Page.svelte';
  import Section from '../setup/Section.svelte';
  import FileIn from './FileIn.svelte';
  import NotebookSection from './NotebookSection.svelte';

  const empty = $derived(garden.path !== null && garden.stops.length === 0);

  async function bringIn(file: File): Promise<Reply<string>> {
    const { data, problem } = await ask(client.POST('/api/import', asItIs(file)));
    if (!data) return { problem };
    await session.load();
    return {
      data: `${data.title} is here: ${counted(data.rows, 'row')}, ${counted(data.photos, 'photo')}.`,
    };
  }

  async function takeRecipes(file: File): Promise<Reply<string>> {
    const { data, problem } = await ask(client.POST('/api/recipes-file', asItIs(file)));
    if (!data) return { problem };
    const here = data.here ? `; ${data.here} were here already` : '';
    return {
      data: `${counted(data.recipes, 'recipe')} and ${counted(data.materials, 'material')} came in${here}.`,
    };
  }
</script>

<Page
  title="In and out"
  sub="Your notebook in, and everything out: open files that other programs read."
>
  <NotebookSection />
  {#if session.owner}
    <Section title="The whole garden" empty="" count={1}>
      <p>
        One file with every table, every photo and the plan, for any program. Another Dace makes the
        same garden of it. Passwords and links stay behind.
      </p>
      <p><ButtonLink href="/api/export" download>Take everything out</ButtonLink></p>
      {#if empty}
        <FileIn label="Bring a garden in from another Dace" accept=".zip" send={bringIn} />
      {:else}
        <p class="soft">
          A garden comes into one that holds nothing yet. Sign up first, and open this page there.
        </p>
      {/if}
    </Section>
    <Section title="Recipes and materials of your own" empty="" count={1}>
      <p>A small file to hand to somebody else.</p>
      <p><ButtonLink href="/api/recipes-file" download>Hand them out</ButtonLink></p>
      <FileIn label="Take somebody's in" accept=".json" send={takeRecipes} />
    </Section>
  {/if}
</Page>

<style>
  p {
    max-width: 68ch;
  }

  .soft {
    color: var(--color-text-soft);
  }
</style>
