<!-- Did it help? Every trial, and another to begin. -->
<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import Page from '../../ui/Page.svelte';
  import NewTrialSheet from './NewTrialSheet.svelte';
  import { trials, withTwins } from './trials.svelte';

  const data = $derived(trials.all.data);
  const able = $derived(data ? withTwins(data.stands).length > 0 : false);
  let beginning = $state(false);

  follow(
    () => garden.version,
    () => void trials.loadAll(),
  );
</script>

<Page
  title="Did it help?"
  sub="fed against unfed, with one measure named beforehand"
  of={trials.all}
>
  {#snippet acts()}
    {#if able}<Button writes look="go" onclick={() => (beginning = true)}>Begin a trial</Button
      >{/if}
  {/snippet}
  {#if data}
    <ul>
      {#each data.trials as one (one.id)}
        <li class:due={one.due} class:over={one.over}>
          <a href="/trial?trial={one.id}">{one.title}</a>
          <span>{one.sub} · {one.state}</span>
        </li>
      {:else}
        <li class="none">
          You feed when plants look worst, and they mend anyway. A twin that got only water tells
          the two apart.
        </li>
      {/each}
    </ul>
    {#if !able}
      <p>
        A trial needs the same crop in two fills: one fed, one not. <a href="/setup"
          >Put half of the pots in a fill of their own.</a
        >
      </p>
    {/if}
    <NewTrialSheet {data} bind:open={beginning} />
  {/if}
</Page>

<style>
  ul {
    display: grid;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: grid;
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-line);
    border-left: 4px solid var(--color-rim);
    border-radius: 0 var(--radius) var(--radius) 0;
  }

  .due {
    border-left-color: var(--color-care);
  }

  .over {
    border-left-color: var(--color-edge);
  }

  .none {
    border-style: dashed;
  }

  li a {
    display: flex;
    align-items: center;
    min-height: var(--touch);
    font-size: var(--text-l);
    font-weight: 600;
  }

  span {
    color: var(--color-text-soft);
  }
</style>
