<script lang="ts">
  import { volume } from '../../app/measures';
  import { ask, client, type Schemas } from '../../api/client';
  import { Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import Note from '../../ui/Note.svelte';
  import Sheet from '../../ui/Sheet.svelte';

  interface Props {
    open: boolean;
    /** The brew that is spoken of; none for anything else. */
    brewId?: string;
  }
  let { open = $bindable(), brewId }: Props = $props();
  const answer = new Resource<Schemas['ClaimOut']>();
  let claim = $state('');
  let vessel = $state(volume(9));
  const found = $derived(answer.problem ? null : answer.data);
  const trouble = (field: string) =>
    answer.problem?.field === field ? answer.problem.message : '';
  const TITLES: Record<string, string> = {
    possible: 'It can be',
    impossible: 'It cannot be',
    agrees: 'Its parts agree',
    contradicts: 'It contradicts itself',
  };
  const severity = $derived(
    found?.verdict === 'impossible' || found?.verdict === 'contradicts' ? 'care' : 'info',
  );

  function check(event: SubmitEvent) {
    event.preventDefault();
    const body = { claim, brew_id: brewId ?? null, vessel };
    void answer.load((signal) => ask(client.POST('/api/claims', { body, signal })));
  }
</script>

<Sheet title="Heard over the fence" bind:open>
  <form onsubmit={check} novalidate>
    <Field
      label="What is claimed"
      bind:value={claim}
      hint={brewId
        ? 'Such as “3 % nitrogen”, held against what went into this brew.'
        : '“3 % nitrogen in rice rinse water”, or “1:400, so three tablespoons in the can”.'}
      trouble={trouble('claim')}
    />
    <Field label="In a can of" bind:value={vessel} trouble={trouble('vessel')} />
    {#if answer.problem && !['claim', 'vessel'].includes(answer.problem.field)}
      <p role="alert">{answer.problem.message}</p>
    {/if}
    <Button look="go" type="submit">Check it</Button>
  </form>
  {#if found}
    <div class="found" role="status">
      <Note {severity} title={TITLES[found.verdict] ?? found.verdict}>{found.text}</Note>
      <ul>
        {#each found.working as step, index (index)}
          <li>{step.what}: <b>{step.text} {step.unit}</b> <i>{step.source}</i></li>
        {/each}
      </ul>
    </div>
  {/if}
</Sheet>

<style>
  form,
  .found {
    display: grid;
    gap: var(--space-3);
  }

  .found {
    margin-top: var(--space-4);
  }

  ul {
    margin: 0;
    padding-left: var(--space-4);
    font-size: var(--text-s);
  }

  i {
    color: var(--color-text-soft);
    font-style: normal;
  }
</style>
