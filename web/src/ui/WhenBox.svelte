<!-- When something was done: now, or an earlier time that one presses or types. -->
<script lang="ts">
  import { garden } from '../app/garden.svelte';
  import Choice from './Choice.svelte';
  import Field from './Field.svelte';
  import { dayOf, earlier, localTime } from './time';

  interface Props {
    /** A local time such as `2026-07-13T19:00`; empty is now. */
    value: string;
    trouble?: string;
  }
  let { value = $bindable(), trouble = '' }: Props = $props();
  const now = $derived(garden.path?.now ?? new Date().toISOString());
  const zone = $derived(garden.path?.zone ?? 'UTC');
  const today = $derived(dayOf(now, zone));
  const morning = $derived(`${today}T08:00`);
  const options = $derived([
    { value: '', name: 'now' },
    ...(localTime(now, zone) > morning ? [{ value: morning, name: 'this morning' }] : []),
    { value: `${earlier(today, 1)}T19:00`, name: 'yesterday evening' },
    { value: 'other', name: 'another time' },
  ]);
  let other = $state(false);
  const chosen = $derived(other || !options.some((one) => one.value === value) ? 'other' : value);

  function choose(picked: string) {
    other = picked === 'other';
    if (!other) value = picked;
    else value ||= `${today}T12:00`;
  }
</script>

<Choice label="When" labelled value={chosen} {options} onchange={choose} />
{#if chosen === 'other'}
  <Field label="Day and time" type="datetime-local" bind:value {trouble} />
{:else if trouble}
  <p role="alert">{trouble}</p>
{/if}

<style>
  p {
    color: var(--color-stop);
    font-size: var(--text-s);
  }
</style>
