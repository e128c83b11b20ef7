<!-- All drawings side by side, for whoever draws the next; `make dev` shows it at /static/drawings.html. -->
<script lang="ts">
  import Plate from './Plate.svelte';
  import { LEAVES } from './leaf';
  import type { Grown } from './plant';
  import { SIGNS, signMarks } from './sign';
  import { stageMarks } from './stage';
  import table from '../../../../dace/core/figures/signs.csv?raw';

  const asked = new URLSearchParams(location.search);
  const named = asked.get('names') !== 'no';
  const CROPS: Record<string, Grown> = {
    tomato: { leaf: 'compound', habit: 'vine', bears: 'round' },
    pepper: { leaf: 'long', habit: 'bush', bears: 'block' },
    courgette: { leaf: 'fan', habit: 'bush', bears: 'long' },
    bean: { leaf: 'heart', habit: 'vine', bears: 'pod' },
    lettuce: { leaf: 'rosette', habit: 'head', bears: 'head' },
    kale: { leaf: 'lobed', habit: 'leaf', bears: 'leaves' },
    carrot: { leaf: 'feathery', habit: 'root', bears: 'taproot' },
    onion: { leaf: 'strap', habit: 'bulb', bears: 'bulb' },
    sweetcorn: { leaf: 'strap', habit: 'grass', bears: 'cob' },
    beetroot: { leaf: 'rosette', habit: 'root', bears: 'globe' },
    cauliflower: { leaf: 'lobed', habit: 'head', bears: 'curd' },
    potato: { leaf: 'compound', habit: 'root', bears: 'tuber' },
  };
  const STAGES = [
    'germination',
    'seedling',
    'establishing',
    'vegetative',
    'flowering',
    'fruit_set',
    'fruit_fill',
    'heading',
    'root_fill',
    'bulbing',
    'ripening',
    'harvest',
    'wind_down',
  ];
  const crop = CROPS[asked.get('crop') ?? 'tomato'];
  const of = asked.get('of') ?? 'all';
  /** Where each sign is seen: the first two cells of the table's rows have no comma. */
  const places = new Map(table.split('\n').map((row) => row.split(',', 2) as [string, string]));
</script>

<main>
  {#if crop && of !== 'stages' && of !== 'leaves'}
    <section>
      {#each SIGNS as key, index (key)}
        <figure>
          <Plate marks={signMarks({ key, position: places.get(key) ?? '' }, crop)} size={120} />
          <figcaption>{named ? key : index + 1}</figcaption>
        </figure>
      {/each}
    </section>
  {/if}
  {#if of === 'leaves'}
    {#each ['old_even_pale', 'old_between_veins', 'old_edge_scorch', 'old_spots_rings', 'old_one_side_yellow', 'new_veins_green', 'claw_dark', 'new_fern_twist', 'wilt_noon'] as key (key)}
      <section>
        {#each LEAVES as leaf (leaf)}
          <Plate
            marks={signMarks({ key, position: '' }, { leaf, habit: 'bush', bears: 'round' })}
            size={110}
          />
        {/each}
      </section>
    {/each}
  {/if}
  {#if of === 'stages' || of === 'all'}
    {#each Object.entries(CROPS) as [name, grown] (name)}
      <section>
        {#each STAGES as stage (stage)}
          <figure>
            <Plate marks={stageMarks(stage, grown)} size={84} />
            <figcaption>{named ? `${name} ${stage}` : ''}</figcaption>
          </figure>
        {/each}
      </section>
    {/each}
  {/if}
</main>

<style>
  main {
    padding: var(--space-3);
    background: var(--color-panel);
  }

  section {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin-bottom: var(--space-3);
  }

  figure {
    width: min-content;
    margin: 0;
  }

  figcaption {
    font-size: var(--text-s);
    line-height: 1.1;
    overflow-wrap: anywhere;
  }
</style>
