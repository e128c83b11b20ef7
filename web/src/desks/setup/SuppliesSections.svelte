<script lang="ts">
  import { ec, volume } from '../../app/measures';
  import { newId } from '../../ui/ids';
  import { ask, client } from '../../api/client';
  import Entry from './Entry.svelte';
  import type { Setup } from './forms';
  import { jarAnswers, penAnswers, vesselAnswers, waterAnswers } from './given';
  import MeasuresSection from './MeasuresSection.svelte';
  import Section from './Section.svelte';
  import type { SetupDesk } from './setup.svelte';
  import { jarForm, levelForm } from './jarForms';
  import { materialAnswers, materialForm, materialLine } from './materialForm';
  import { penForm, vesselForm } from './supplyForms';
  import { waterForm } from './waterForms';

  interface Props {
    desk: SetupDesk;
    setup: Setup;
  }
  let { desk, setup }: Props = $props();
  const fresh = () => newId();

  function away(kind: string, row_id: string) {
    const params = { path: { kind, row_id } };
    const act = () =>
      void desk.act(() => ask(client.POST('/api/{kind}/{row_id}/put-away', { params })));
    return { label: 'Put away', act };
  }

  function calibrate(pen_id: string) {
    const params = { path: { pen_id } };
    return () => void desk.act(() => ask(client.POST('/api/pens/{pen_id}/calibrate', { params })));
  }
</script>

<Section
  title="Waters"
  empty="No water yet: rain, tap, or both. It fills the rest of every can."
  count={setup.waters.length}
  add="Add a water"
  onadd={() => desk.edit(waterForm(setup, fresh()))}
>
  {#each setup.waters as water (water.id)}
    <Entry
      title={water.name}
      line="{ec(water.ec_ms_cm)}, {water.known_by}"
      acts={[
        {
          label: 'Edit',
          act: () => desk.edit(waterForm(setup, water.id), waterAnswers(water)),
        },
        {
          label: 'Read again',
          act: () =>
            desk.edit(waterForm(setup, water.id), {
              ...waterAnswers(water),
              kind: 'read',
              ec_ms_cm: '',
            }),
        },
        away('waters', water.id),
      ]}
    />
  {/each}
</Section>
<Section
  title="Jars"
  empty="No jar yet: the three numbers on a label are enough to begin."
  count={setup.jars.length}
  add="Add a jar"
  onadd={() => desk.edit(jarForm(fresh(), desk.choices?.materials))}
>
  {#each setup.jars as jar (jar.id)}
    <Entry
      title={jar.name}
      line="{jar.grade} · {jar.elements} · {jar.stock_text} left"
      acts={[
        {
          label: 'Edit',
          act: () => desk.edit(jarForm(jar.id, desk.choices?.materials), jarAnswers(jar)),
        },
        { label: 'Level', anyone: true, act: () => desk.edit(levelForm(jar)) },
        away('jars', jar.id),
      ]}
    />
  {/each}
</Section>
<Section
  title="Cans"
  empty="No can yet: what do you pour from?"
  count={setup.vessels.length}
  add="Add a can"
  onadd={() => desk.edit(vesselForm(setup, fresh()))}
>
  {#each setup.vessels as vessel (vessel.id)}
    <Entry
      title={vessel.name}
      line={volume(vessel.volume_l, 4)}
      acts={[
        {
          label: 'Edit',
          act: () => desk.edit(vesselForm(setup, vessel.id), vesselAnswers(vessel)),
        },
        away('vessels', vessel.id),
      ]}
    />
  {/each}
</Section>
<MeasuresSection {desk} {setup} />
<Section
  title="Materials you know better"
  empty="None: Dace goes by its table of leaves, dungs, meals and scraps. Add what a test told you of yours."
  count={setup.materials.length}
  add="Add a material"
  onadd={() => desk.edit(materialForm(desk.choices, fresh()))}
>
  {#each setup.materials as own (own.id)}
    <Entry
      title={own.name}
      line={materialLine(own)}
      acts={[
        {
          label: 'Edit',
          act: () => desk.edit(materialForm(desk.choices, own.id), materialAnswers(own)),
        },
        away('materials', own.id),
      ]}
    />
  {/each}
</Section>
<Section
  title="Pens"
  empty="No pen yet. With one you read what Dace expects, and see what it really is."
  count={setup.pens.length}
  add="Add a pen"
  onadd={() => desk.edit(penForm(fresh()))}
>
  {#each setup.pens as pen (pen.id)}
    <Entry
      title={pen.name}
      line="up to {ec(pen.most_ms_cm, 1)}; {pen.trust}"
      acts={[
        { label: 'Calibrated today', anyone: true, act: calibrate(pen.id) },
        { label: 'Edit', act: () => desk.edit(penForm(pen.id), penAnswers(pen)) },
        away('pens', pen.id),
      ]}
    />
  {/each}
</Section>
