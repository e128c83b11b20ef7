<!-- A row that ticks as a whole: whose it is and how much; beside it what else can be done. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Problem } from '../../api/client';
  import Message from '../../ui/Message.svelte';
  import { toNextTick } from './focus';
  import TickBox from './TickBox.svelte';
  import { may } from '../../ui/may.svelte';

  interface Props {
    name: string;
    who: string;
    amount: string;
    done: boolean;
    disabled?: boolean;
    /** What stands against it or is still on its way. */
    care?: string[];
    problem?: Problem | null;
    onpress: () => void;
    aside?: Snippet;
  }
  const {
    name,
    who,
    amount,
    done,
    disabled = false,
    care = [],
    problem = null,
    onpress,
    aside,
  }: Props = $props();

  function press(event: MouseEvent) {
    if (!done) toNextTick(event.currentTarget as HTMLElement);
    onpress();
  }
</script>

<li class:done>
  <svelte:element
    this={may.write ? 'button' : 'div'}
    role={may.write ? 'button' : undefined}
    class="tick"
    type={may.write ? 'button' : undefined}
    aria-pressed={may.write ? done : undefined}
    disabled={may.write ? disabled : undefined}
    onclick={may.write ? press : undefined}
  >
    <TickBox {done} />
    <span class="who">
      <b>{name}</b>
      <span class="soft">{who}</span>
      {#each care as one (one)}<span class="care">{one}</span>{/each}
    </span>
    <b class="amount">{amount}</b>
  </svelte:element>
  {@render aside?.()}
</li>
{#if problem}<li class="trouble"><Message {problem} /></li>{/if}

<style>
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: var(--space-2);
    align-items: center;
    padding-right: var(--space-4);
    border-top: 1px solid var(--color-line);
  }

  li:first-child {
    border-top: 0;
  }

  .trouble {
    display: block;
    padding: var(--space-2) var(--space-4);
  }

  .tick {
    display: grid;
    grid-template-columns: 34px minmax(0, 1fr) auto;
    gap: var(--space-4);
    align-items: center;
    width: 100%;
    min-height: 52px;
    padding: var(--space-1) 0 var(--space-1) var(--space-4);
    border: 0;
    background: none;
    color: inherit;
    text-align: left;
    cursor: pointer;
  }

  .who {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-2);
    align-items: baseline;
  }

  .soft,
  .care {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .care {
    color: var(--color-care);
  }

  .amount {
    font: 700 1.25rem / 1.2 var(--face-head);
    text-align: right;
  }

  .done .amount {
    color: var(--color-text-soft);
    font-size: var(--text-m);
  }

  li > :global(button:not(.tick)) {
    min-width: var(--touch);
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    cursor: pointer;
  }

  @media print {
    li > :global(button:not(.tick)) {
      display: none;
    }
  }

  @media (width <= 700px) {
    li {
      padding-right: var(--space-2);
    }

    .tick {
      min-height: 48px;
      gap: var(--space-3);
      padding-left: var(--space-3);
    }

    .soft {
      display: none;
    }
  }
</style>
