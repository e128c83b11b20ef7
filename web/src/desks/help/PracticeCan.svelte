<!-- A trainer of ten minutes: dilution twice, oxide for element, spoon for ratio. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import Message from '../../ui/Message.svelte';
  import { Practice } from './practice.svelte';

  const practice = new Practice();
  onMount(() => void practice.load());

  function submit(event: SubmitEvent) {
    event.preventDefault();
    void practice.check();
  }
</script>

<section aria-label="A practice can">
  <p>Ten minutes of sums that old hands get wrong. Nothing of it is written down.</p>
  {#if practice.sum}
    <form onsubmit={submit}>
      <p class="asked">{practice.sum.question}</p>
      <Field
        label="Your answer, {practice.sum.unit}"
        bind:value={practice.typed}
        trouble={practice.problem?.field === 'answer' ? practice.problem.message : ''}
      />
      <div>
        <Button look="go" type="submit">Look</Button>
        <Button onclick={() => void practice.next()}>Another one</Button>
        {#if practice.tried}<span>{practice.right} of {practice.tried} at the first go</span>{/if}
      </div>
    </form>
    {#if practice.checked}
      <div class="said" class:right={practice.checked.right} role="status">
        <p><b>{practice.checked.said}</b></p>
        <ol>
          {#each practice.checked.working as line, at (at)}<li>{line}</li>{/each}
        </ol>
      </div>
    {/if}
  {/if}
  {#if practice.problem?.field !== 'answer'}
    <Message problem={practice.problem} again={() => void practice.load()} />
  {/if}
</section>

<style>
  section,
  form {
    display: grid;
    gap: var(--space-3);
    align-content: start;
    max-width: 60ch;
  }

  .asked {
    font: 600 1.25rem / 1.35 var(--face-head);
  }

  form > div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    align-items: center;
  }

  .said {
    padding-left: var(--space-3);
    border-left: 4px solid var(--color-care);
  }

  .right {
    border-left-color: var(--color-go);
  }
</style>
