<!-- One thing that waits: what, when, why it was not taken; put right, tried again, or not sent. -->
<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import Field from '../../ui/Field.svelte';
  import { clockTime, dayInWords } from '../../ui/time';
  import { garden } from '../garden.svelte';
  import { away } from './away.svelte';
  import type { Waiting } from './store';
  import { fixable } from './words';

  const { one }: { one: Waiting } = $props();
  const fix = $derived(fixable(one.path));
  const now = $derived.by(() => {
    const body = JSON.parse(one.body || '{}') as Record<string, unknown>;
    return fix ? String(body[fix.field] ?? '') : '';
  });
  let typed = $state<string | null>(null);
  const zone = $derived(garden.path?.zone ?? 'UTC');
  /** As the server wants it: a number stays one. */
  const value = $derived(typed ?? now);
</script>

<li class:care={one.refused}>
  <b>{one.words}</b>
  <small>{dayInWords(one.at, zone)}, {clockTime(one.at, zone)}</small>
  {#if one.refused}<p role="status">{one.refused}</p>{/if}
  {#if fix && typed !== null}
    <Field label={fix.label} bind:value={typed} />
  {/if}
  <div>
    {#if fix && typed === null}
      <Button onclick={() => (typed = now)}>Put it right</Button>
    {:else if fix}
      <Button
        look="go"
        onclick={() => {
          void away.mend(one, fix.field, value);
          typed = null;
        }}>Keep it so</Button
      >
    {/if}
    {#if one.refused}<Button onclick={() => void away.mend(one)}>Try again</Button>{/if}
    <Button onclick={() => void away.drop(one)}>Do not send it</Button>
  </div>
</li>

<style>
  li {
    display: grid;
    gap: var(--space-1);
    padding: var(--space-3);
    border: 1px solid var(--color-line);
    border-left: 4px solid var(--color-edge);
    border-radius: var(--radius);
  }

  .care {
    border-left-color: var(--color-care);
  }

  small {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }
</style>
