<!-- Tonight's low and sky, as somebody knows them better. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { ask, client } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Check from '../../ui/Check.svelte';
  import Field from '../../ui/Field.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';

  let { open = $bindable(), usually = false }: { open: boolean; usually?: boolean } = $props();
  const write = new Write();
  let low = $state('');
  let clear = $state(false);

  $effect(() => {
    if (open)
      untrack(() => {
        low = '';
        clear = usually;
      });
  });

  async function keep() {
    const body = { id: write.id(), low, clear, covered: false };
    if (await write.send(() => ask(client.POST('/api/night', { body })))) open = false;
  }
</script>

<SheetForm title="Tonight" {write} submit="Keep it" fields={['low']} {keep} bind:open>
  <Field
    label="Lowest tonight"
    bind:value={low}
    hint="As your forecast says, such as 3 °C."
    trouble={write.trouble('low')}
  />
  <Check bind:checked={clear}>clear and still</Check>
</SheetForm>
