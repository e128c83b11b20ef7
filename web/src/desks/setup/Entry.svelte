<!-- A card of the set-up: pressed on its name it is edited, and one menu has the rest. -->
<script lang="ts">
  import { may } from '../../ui/may.svelte';
  import { session } from '../../app/session.svelte';

  interface Props {
    title: string;
    line: string;
    /** What can be done with it, by the owner or by `anyone` who helps. */
    acts: { label: string; act: () => void; anyone?: boolean }[];
  }
  let { title, line, acts }: Props = $props();
  const mine = $derived(acts.filter((one) => session.owner || (one.anyone && may.write)));
  const edit = $derived(mine.find((one) => one.label === 'Edit'));
  let open = $state(false);
  let opener = $state<HTMLButtonElement>();

  function choose(act: () => void) {
    open = false;
    opener?.focus();
    act();
  }

  /** A menu that opens low on the screen is brought up above the thumb bar. */
  function show(menu: HTMLElement) {
    menu.scrollIntoView({ block: 'nearest' });
  }

  /** The keyboard walks out of the menu, or a press beside it: it closes. */
  function left(event: FocusEvent & { currentTarget: HTMLElement }) {
    if (!event.currentTarget.contains(event.relatedTarget as Node | null)) open = false;
  }

  function key(event: KeyboardEvent) {
    if (event.key !== 'Escape' || !open) return;
    event.stopPropagation();
    open = false;
    opener?.focus();
  }
</script>

<article>
  <div class="what">
    <h3>{title}</h3>
    <p>{line}</p>
    {#if edit}
      <button type="button" class="name" aria-label="Edit: {title}" onclick={edit.act}></button>
    {/if}
  </div>
  {#if mine.length > 0}
    <!-- svelte-ignore a11y_no_static_element_interactions (it only hears keys of its buttons) -->
    <div class="acts" onfocusout={left} onkeydown={key}>
      <button
        type="button"
        class="opener"
        aria-expanded={open}
        aria-label="More: {title}"
        title="What to do with it"
        bind:this={opener}
        onclick={() => (open = !open)}
      >
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <circle cx="4" cy="10" r="1.8" /><circle cx="10" cy="10" r="1.8" />
          <circle cx="16" cy="10" r="1.8" />
        </svg>
      </button>
      {#if open}
        <div class="menu" {@attach show}>
          {#each mine as one (one.label)}
            <button type="button" aria-label="{one.label}: {title}" onclick={() => choose(one.act)}>
              {one.label}
            </button>
          {/each}
        </div>
      {/if}
    </div>
  {/if}
</article>

<style>
  article {
    display: flex;
    gap: var(--space-3);
    align-items: center;
    justify-content: space-between;
    min-height: var(--touch);
    padding: var(--space-1) var(--space-1) var(--space-1) var(--space-3);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  .what {
    position: relative;
    flex: 1;
    min-width: 0;
  }

  h3 {
    font-family: var(--face-text);
    font-size: var(--text-m);
    letter-spacing: 0;
  }

  p {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  button {
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    text-align: left;
    cursor: pointer;
  }

  /* the whole card is the target */
  .name {
    position: absolute;
    inset: -6px 0;
  }

  .what:has(.name:hover) h3 {
    text-decoration: underline;
    text-underline-offset: 3px;
  }

  .acts {
    position: relative;
    flex: none;
  }

  .opener {
    display: grid;
    place-items: center;
    width: var(--touch);
    height: var(--touch);
    border-radius: var(--radius);
  }

  circle {
    fill: var(--color-text-soft);
  }

  .menu {
    position: absolute;
    inset: 100% 0 auto auto;
    z-index: 2;
    display: grid;
    width: max-content;
    min-width: 160px;
    scroll-margin-bottom: 88px;
    padding: var(--space-1);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel);
  }

  .menu button {
    min-height: var(--touch);
    padding: 0 var(--space-3);
    border-radius: var(--radius);
  }

  .opener:hover,
  .menu button:hover {
    background: var(--color-panel-low);
  }
</style>
