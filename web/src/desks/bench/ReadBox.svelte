<!-- She dips the pen in the can before she pours: what makes it right. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { ecScale } from '../../app/measures';
  import { follow, Resource } from '../../app/resource.svelte';
  import Button from '../../ui/Button.svelte';
  import type { Bench } from './bench.svelte';

  const { bench }: { bench: Bench } = $props();
  const id = $props.id();
  const found = new Resource<Schemas['CorrectionOut']>();
  let shows = $state('');
  const value = $derived(Number(shows.replace(',', '.')));
  const sound = $derived(shows.trim() !== '' && Number.isFinite(value) && value > 0);

  // another can: what was read of the last one says nothing of it
  follow(
    () => bench.preview?.ec.value,
    () => found.clear(),
  );

  function read(event: SubmitEvent) {
    event.preventDefault();
    if (!sound) return;
    const body = { ...bench.wanted(), value };
    void found.load((signal) => ask(client.POST('/api/bench/correct', { body, signal })));
  }
</script>

<form onsubmit={read}>
  <label for="{id}-shows">The pen shows</label>
  <input
    id="{id}-shows"
    bind:value={shows}
    inputmode="decimal"
    autocomplete="off"
    placeholder={ecScale()}
    aria-describedby="{id}-said"
    aria-invalid={(shows.trim() !== '' && !sound) || found.problem ? 'true' : undefined}
  />
  <Button type="submit" disabled={!sound}>Is it right?</Button>
  <div id="{id}-said" aria-live="polite">
    {#if found.problem}
      <p class="wrong">{found.problem.message}</p>
    {:else if shows.trim() !== '' && !sound}
      <p class="wrong">Read “{shows.trim()}”; a number such as 1.6 would do.</p>
    {:else if found.data}
      <p class={found.data.kind}><b>{found.data.text}</b> {found.data.says}</p>
    {/if}
  </div>
</form>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-2);
    align-items: center;
  }

  label {
    font-size: var(--text-s);
  }

  input {
    width: 8ch;
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  input[aria-invalid] {
    border-color: var(--color-stop);
  }

  div {
    flex-basis: 100%;
  }

  p {
    padding: var(--space-2) var(--space-3);
    border-left: 4px solid var(--color-care);
    background: var(--color-care-tint);
    font-size: 0.9375rem;
    line-height: 1.35;
  }

  .right {
    border-color: var(--color-go);
    background: var(--color-panel-low);
  }

  .wrong {
    border-color: var(--color-stop);
    background: var(--color-stop-tint);
  }
</style>
