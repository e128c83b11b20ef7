<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { undo } from '../../app/undo.svelte';
  import Button from '../../ui/Button.svelte';
  import { photoAt } from '../looks/photos';
  import { clockTime } from '../../ui/time';
  import MendSheet from './MendSheet.svelte';
  import { canBeMended } from './mending';

  interface Props {
    other: Schemas['OtherOut'];
    zone: string;
  }
  const { other, zone }: Props = $props();
  let mending = $state(false);
  /** What is known to the minute; the rest was written down by its day. */
  const TIMED = new Set(['watering', 'look']);
</script>

<div>
  <p>
    {#if other.stop}<b>{other.stop}:</b>{/if}
    {other.text}
    {#if other.air}<span class="soft">· {other.air}</span>{/if}
    {#if other.kind === 'trial'}<a href="/trial?trial={other.id}">See it</a>{/if}
    {#if other.who && other.who !== session.info?.user}<span class="soft">· {other.who}</span>{/if}
  </p>
  {#if other.kind === 'photo'}
    <img src={photoAt(other.id, 'small')} alt={other.text} loading="lazy" />
  {/if}
  <span class="side">
    {#if TIMED.has(other.kind)}
      <time datetime={other.at}>{clockTime(other.at, zone)}</time>
    {/if}
    {#if canBeMended(other.kind)}
      <Button writes look="quiet" onclick={() => (mending = true)}>Put it right</Button>
    {/if}
    {#if other.change_id !== null}
      <Button writes look="quiet" onclick={() => undo.take(other.change_id)}>Undo</Button>
    {/if}
  </span>
</div>
{#if canBeMended(other.kind)}
  <MendSheet kind={other.kind} id={other.id} bind:open={mending} />
{/if}

<style>
  div {
    display: grid;
    grid-template-columns: minmax(0, 1fr) repeat(2, auto);
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
    padding: 0 var(--space-3) 0 38px;
    border-left: 3px solid var(--color-line);
    font-size: 0.9375rem;
  }

  .soft,
  time {
    color: var(--color-text-soft);
  }

  img {
    width: 88px;
    height: 66px;
    margin-block: var(--space-1);
    border-radius: var(--radius);
    object-fit: cover;
  }

  .side {
    grid-column: 3;
    display: flex;
    align-items: center;
  }
</style>
