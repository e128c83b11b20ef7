<!-- Some of a jar dissolved in water: a bottle of its own, of which a little is measured. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { example } from '../../app/measures';
  import { Write } from '../../app/write.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    jar: Schemas['JarPageOut'];
    open: boolean;
    /** The bottle that it became. */
    onmade: (id: string) => void;
  }
  let { jar, open = $bindable(), onmade }: Props = $props();
  const write = new Write();
  const liquid = $derived(jar.form === 'liquid');
  let amount = $state('');
  let litres = $state('');

  async function keep() {
    const body = {
      id: write.id(),
      amount: amount.trim() || (liquid ? '100 ml' : '5 g'),
      litres: litres.trim() || example('1 L', '1 quart'),
    };
    const params = { path: { jar_id: jar.id } };
    const sent = () => ask(client.POST('/api/jars/{jar_id}/solution', { params, body }));
    const made = await write.send(sent);
    if (!made) return;
    open = false;
    onmade(made.id);
  }
</script>

<SheetForm
  title="A stock solution of {jar.name}"
  {write}
  submit="Stir it in and label the bottle"
  fields={['amount', 'litres']}
  {keep}
  bind:open
>
  <p>
    For amounts too small to weigh: dissolve some in clean rain water and measure that. One stock
    for each feed; calcium never together with sulfate or phosphate.
  </p>
  <Field
    label="How much of it"
    bind:value={amount}
    hint={liquid
      ? '100 ml unless you say otherwise'
      : '5 g, a level teaspoon, unless you say otherwise'}
    trouble={write.trouble('amount')}
  />
  <Field
    label="In how much water"
    bind:value={litres}
    hint="{example('1 L', '1 quart')} unless you say otherwise"
    trouble={write.trouble('litres')}
  />
</SheetForm>
