<!-- A row of what is done besides feeding: ticked, opened, or gone to; ⋯ puts it off. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Problem } from '../../api/client';
  import Message from '../../ui/Message.svelte';
  import { may } from '../../ui/may.svelte';
  import TickBox from './TickBox.svelte';

  interface Props {
    name: string;
    words: string;
    busy?: boolean;
    problem?: Problem | null;
    /** Ticks it. */
    ontick?: () => void;
    /** Opens what asks for more. */
    onopen?: () => void;
    /** The page that asks for more. */
    href?: string;
    /** Not yet, or never. */
    onother?: () => void;
    /** Sheets that it opens. */
    children?: Snippet;
  }
  const {
    name,
    words,
    busy = false,
    problem = null,
    children,
    ontick,
    onopen,
    href,
    onother,
  }: Props = $props();
  const press = $derived(may.write ? (ontick ?? onopen) : undefined);
</script>

<li>
  {#if press}
    <button class="main" type="button" disabled={busy} onclick={press}>
      {#if ontick}<TickBox done={false} />{/if}
      <span><b>{name}</b> {words}</span>
      {#if onopen}<span class="on" aria-hidden="true">›</span>{/if}
    </button>
  {:else if href}
    <a class="main" {href}>
      <span><b>{name}</b> {words}</span>
      <span class="on" aria-hidden="true">›</span>
    </a>
  {:else}
    <p class="main"><span><b>{name}</b> {words}</span></p>
  {/if}
  {#if onother && may.write}
    <button class="other" type="button" disabled={busy} onclick={onother}>
      <span aria-hidden="true">⋯</span>
      <span class="unseen">not now: {name}</span>
    </button>
  {/if}
  <Message {problem} />
  {@render children?.()}
</li>

<style>
  li {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: center;
    padding-right: var(--space-4);
    border-top: 1px solid var(--color-line);
  }

  .main {
    display: flex;
    flex: 1 1 60%;
    gap: var(--space-4);
    align-items: center;
    min-height: 52px;
    padding: var(--space-1) 0 var(--space-1) var(--space-4);
    border: 0;
    background: none;
    color: inherit;
    line-height: 1.25;
    text-align: left;
    text-decoration: none;
  }

  button,
  a {
    cursor: pointer;
  }

  .on {
    margin-left: auto;
    font-size: var(--text-l);
  }

  .other {
    flex: none;
    width: var(--touch);
    height: var(--touch);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
    color: inherit;
  }

  @media print {
    .other {
      display: none;
    }
  }
</style>
