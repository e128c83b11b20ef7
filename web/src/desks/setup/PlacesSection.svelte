<script lang="ts">
  import { newId } from '../../ui/ids';
  import { ask, client } from '../../api/client';
  import Entry from './Entry.svelte';
  import { fillForm, moreForm, placeForm, refillForm, type Choices, type Setup } from './forms';
  import { fillAnswers, placeAnswers } from './given';
  import { countForm, mendForm, moveForm } from './moveForms';
  import { plantingForm } from './plantingForm';
  import ListSheet from './ListSheet.svelte';
  import Section from './Section.svelte';
  import type { SetupDesk } from './setup.svelte';

  interface Props {
    desk: SetupDesk;
    setup: Setup;
    choices: Choices;
  }
  let { desk, setup, choices: shipped }: Props = $props();
  /** Her own mixes fill pots like the table's media, and come first. */
  const choices = $derived({
    ...shipped,
    media: [
      ...setup.mixes.map((mix) => ({ key: mix.medium, name: mix.name, kind: 'soilless' })),
      ...shipped.media,
    ],
  });
  let dragged = $state('');
  let listing = $state(false);
  type Place = Setup['places'][number];
  type Stand = Place['stands'][number];

  const fillsOf = (place: Place) =>
    place.fills.map((fill) => ({ value: fill.id, name: fill.name || place.name }));
  function fillLine(fill: Place['fills'][number]) {
    const many = fill.alike > 1 ? `${fill.alike} × ` : '';
    return `${fill.name ? `${fill.name}: ` : ''}${many}${fill.size}`;
  }

  const allFills = $derived(setup.places.flatMap(fillsOf));

  function order(places: Place[]) {
    const body = { places: places.map((one) => one.id) };
    void desk.act(() => ask(client.POST('/api/path/order', { body })));
  }

  function shift(place: Place, by: number) {
    const places = setup.places.filter((one) => one.id !== place.id);
    places.splice(setup.places.indexOf(place) + by, 0, place);
    order(places);
  }

  function drop(on: Place) {
    const moved = setup.places.find((one) => one.id === dragged);
    if (!moved || moved.id === on.id) return;
    shift(moved, setup.places.indexOf(on) - setup.places.indexOf(moved));
  }

  /** Fresh medium, once nothing grows in the old one. */
  function refillAct(place: Place, fillId: string) {
    if (place.stands.some((stand) => stand.fill_id === fillId)) return [];
    return [{ label: 'Fill anew', act: () => desk.edit(refillForm(choices, fillId)) }];
  }

  function placeActs(place: Place) {
    const at = setup.places.indexOf(place);
    const path = { place_id: place.id };
    const ids = { place: place.id, fill: place.fills[0]?.id ?? newId() };
    return [
      ...(at > 0 ? [{ label: 'Up', act: () => shift(place, -1) }] : []),
      ...(at < setup.places.length - 1 ? [{ label: 'Down', act: () => shift(place, 1) }] : []),
      { label: 'Plant', act: () => plant(place.id) },
      { label: 'Edit', act: () => desk.edit(placeForm(choices, ids), placeAnswers(place)) },
      {
        label: 'Add pots',
        act: () => desk.edit(fillForm(choices, place, newId())),
      },
      { label: 'More like this', act: () => desk.edit(moreForm(place)) },
      ...(place.fills[0] ? refillAct(place, place.fills[0].id) : []),
      {
        label: 'End',
        act: () =>
          void desk.act(() => ask(client.POST('/api/places/{place_id}/end', { params: { path } }))),
      },
    ];
  }

  function standActs(stand: Stand) {
    const elsewhere = allFills.filter((fill) => fill.value !== stand.fill_id);
    const path = { planting_id: stand.planting_id };
    return [
      ...(elsewhere.length
        ? [{ label: 'Move', act: () => desk.edit(moveForm(stand, elsewhere)) }]
        : []),
      { label: 'Edit', act: () => desk.edit(mendForm(stand, choices)) },
      { label: 'Thin', act: () => desk.edit(countForm(stand, 'thin')) },
      { label: 'Recount', act: () => desk.edit(countForm(stand, 'count')) },
      {
        label: 'End',
        act: () =>
          void desk.act(() =>
            ask(client.POST('/api/plantings/{planting_id}/end', { params: { path } })),
          ),
      },
    ];
  }

  /** What grows in a place; one crop after another. */
  function plant(placeId: string) {
    const place = setup.places.find((one) => one.id === placeId);
    const next = { label: 'Another crop there', act: () => plant(placeId) };
    if (place) desk.edit(plantingForm(choices, fillsOf(place)), undefined, next);
  }

  function add() {
    const ids = { place: newId(), fill: newId() };
    const next = { label: 'What grows in it?', act: () => plant(ids.place) };
    desk.edit(placeForm(choices, ids), undefined, next);
  }
</script>

<Section
  title="Places, in walking order"
  empty="No place yet: a tub, some pots, a bed. It becomes a stop along your path."
  count={setup.places.length}
  add="Add a place"
  onadd={add}
  many="Add a list"
  onmany={() => (listing = true)}
>
  {#each setup.places as place (place.id)}
    <div
      class="place"
      role="group"
      aria-label={place.name}
      draggable="true"
      ondragstart={() => (dragged = place.id)}
      ondragover={(event) => event.preventDefault()}
      ondrop={() => drop(place)}
    >
      <Entry
        title={place.name}
        line={place.fills.map(fillLine).join(' · ')}
        acts={placeActs(place)}
      />
      {#each place.fills.slice(1) as fill (fill.id)}
        <div class="stand">
          <Entry
            title={fill.name || place.name}
            line={fillLine(fill)}
            acts={[
              {
                label: 'Edit',
                act: () => desk.edit(fillForm(choices, place, fill.id), fillAnswers(fill)),
              },
              ...refillAct(place, fill.id),
            ]}
          />
        </div>
      {/each}
      {#each place.stands as stand (stand.id)}
        <div class="stand">
          <Entry title={stand.counted} line={stand.stage} acts={standActs(stand)} />
        </div>
      {/each}
    </div>
  {/each}
</Section>
<ListSheet bind:open={listing} onkept={() => void desk.load()} />

<style>
  .place {
    display: grid;
    gap: 2px;
    cursor: grab;
  }

  .stand {
    margin-left: var(--space-6);
  }
</style>
