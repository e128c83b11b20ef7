<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { working } from '../../app/working.svelte';
  import AcidBalance from './AcidBalance.svelte';

  interface Props {
    figures: Schemas['BrewFiguresOut'];
    /** For when the figures hold, in words. */
    when: string;
  }
  let { figures, when }: Props = $props();

  function how() {
    working.show({ title: 'How the potassium was got', steps: figures.working });
    working.open();
  }
</script>

<ul class="held" aria-label="What it holds, mg/L, {when}">
  {#each figures.held as one (one.name)}
    <li>
      <span>{one.name}</span> <b>{one.text}</b>
      <small>{one.span}</small>
    </li>
  {/each}
</ul>
<p class="soft">
  {when}; nitrogen as
  {figures.forms.map((one) => `${one.name} ${one.text}`).join(', ')} mg/L.
  <button type="button" onclick={how}>how?</button>
</p>
{#if figures.limits}<AcidBalance limits={figures.limits} />{/if}
<p>
  <b>Good for</b>
  {figures.good_for.join('; ')}.
  {#if figures.does_not.length}{figures.does_not.join('. ')}.{/if}
</p>
<p>{figures.dilute_text} <span class="soft">{figures.ready_text}; {figures.keeps_text}.</span></p>
<p class="soft">Signs: {figures.off_signs}.</p>
{#each figures.notes as note, at (at)}<p class="soft">{note}</p>{/each}

<style>
  .held {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(96px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  .held li {
    border-top: 3px solid var(--color-rim);
    padding-top: 2px;
  }

  .held b {
    font: 700 1.375rem / 1.1 var(--face-head);
  }

  small,
  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  small {
    display: block;
  }

  button {
    min-width: var(--touch);
    min-height: var(--touch);
    border: 0;
    background: none;
    color: var(--color-rim);
    font-size: var(--text-s);
    text-decoration: underline;
    cursor: pointer;
  }
</style>
