<!-- What was thought of is done on one of the garden's own beds. -->
<script lang="ts">
  import type { Reply, Schemas } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Choice from '../../ui/Choice.svelte';
  import SheetForm from '../../ui/SheetForm.svelte';

  interface Props {
    beds: { key: string; name: string }[];
    title: string;
    /** What the button says that opens it. */
    press: string;
    send: (id: string, fillId: string) => Promise<Reply<Schemas['WrittenOut']>>;
  }
  const { beds, title, press, send }: Props = $props();
  const write = new Write();
  let open = $state(false);
  let bed = $state('');
  const chosen = $derived(bed || (beds[0]?.key ?? ''));

  async function keep() {
    if (await write.send(() => send(write.id(), chosen))) open = false;
  }
</script>

<div><Button writes look="go" onclick={() => (open = true)}>{press}</Button></div>
<SheetForm {title} {write} submit={title} {keep} bind:open>
  <Choice
    label="On"
    labelled
    value={chosen}
    onchange={(value) => (bed = value)}
    options={beds.map((one) => ({ value: one.key, name: one.name }))}
  />
</SheetForm>
