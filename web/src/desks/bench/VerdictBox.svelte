<script lang="ts">
  import type { Verdict } from '../../app/garden.svelte';
  import { working } from '../../app/working.svelte';
  import KindMark from '../../ui/KindMark.svelte';
  import { lookOf } from '../../ui/kinds';
  import QuestionBar from './QuestionBar.svelte';

  interface Props {
    verdict: Verdict;
    /** The planting that is asked about, and what a reading would be of. */
    plantingOf: (standId: string) => string;
    subjectId: string;
    /** Whether its question stands here. */
    asks: boolean;
    onlook: () => void;
  }
  const { verdict, plantingOf, subjectId, asks, onlook }: Props = $props();
  const plan = $derived(verdict.flush);
  const goes = $derived(plan ? Array.from({ length: plan.goes }, (_, index) => index + 1) : []);
  const ORDINALS = ['1st', '2nd', '3rd'];

  function how() {
    working.show({ title: 'How we worked it out', steps: verdict.working });
    working.open();
  }
</script>

<!-- What this stop wants today, in the words that every screen has. -->
<section class={lookOf(verdict.kind).tone} aria-label="What it wants today">
  <h2><KindMark kind={verdict.kind} />{verdict.headline}</h2>
  {#if verdict.reason && !verdict.headline.startsWith(verdict.reason)}
    <p>
      {verdict.reason}
      {#if verdict.working.length}<button type="button" class="how" onclick={how}>how?</button>{/if}
    </p>
  {/if}
  {#if plan}
    <ol>
      {#each goes as go (go)}
        <li class:next={go === 1}>
          <span>{ORDINALS[go - 1] ?? `${go}th`} pour</span><b>{plan.each_text}</b>
        </li>
        {#if go === plan.read_after}
          <li class="read"><span>then read</span><b>aim {plan.aim_text}</b></li>
        {/if}
      {/each}
    </ol>
    <p class="soft">Slowly, until it has sunk in. It should read {plan.after_text} then.</p>
  {/if}
  {#if asks && verdict.question && (verdict.kind !== 'look' || verdict.question.about === 'stage')}
    <QuestionBar
      question={verdict.question}
      said={verdict.kind === 'look'}
      {plantingOf}
      {subjectId}
      {onlook}
    />
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    margin: var(--space-2) 22px 0;
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-line);
    border-left: 4px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel-low);
  }

  .stop {
    border: 2px solid var(--color-rim);
    background: var(--color-rim-tint);
  }

  .care {
    border-left-color: var(--color-care);
  }

  .go {
    border-left-color: var(--color-go);
  }

  h2 {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    font-size: 1.1875rem;
    line-height: 1.25;
  }

  p {
    line-height: 1.35;
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .how {
    min-width: var(--touch);
    min-height: var(--touch);
    margin-block: -12px;
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    cursor: pointer;
  }

  ol {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: grid;
    min-width: 84px;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-panel);
  }

  .next {
    border: 2px solid var(--color-rim);
  }

  .read {
    border-style: dashed;
  }

  li span {
    font-size: var(--text-s);
  }

  li b {
    font: 650 1.125rem / 1.2 var(--face-head);
  }

  @media (width <= 700px) {
    section {
      margin-inline: var(--space-4);
      padding: var(--space-2) var(--space-3);
    }

    h2 {
      font-size: 1.0625rem;
    }

    ol {
      flex-wrap: nowrap;
      gap: var(--space-1);
    }

    li {
      flex: 1;
      min-width: 0;
      padding: var(--space-1) var(--space-2);
    }

    li b {
      font-size: 1rem;
    }
  }
</style>
