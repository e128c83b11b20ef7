<script lang="ts">
  import { explain } from './explain';
  import type { Schemas } from '../../api/client';
  import LedgerChart from '../../charts/LedgerChart.svelte';
  import { dateShort } from './strips';

  interface Props {
    page: Schemas['PlantingOut'];
  }
  let { page }: Props = $props();
  const ledger = $derived(page.ledger);
  const SHAPES: Record<string, string> = {
    hungry: 'M8 1.5 15 14.5H1Z',
    short: 'M8 1.5 15 14.5H1Z',
    enough: 'M2 8l4 5 8-10',
    plenty: 'M2 4h12M2 8h12M2 12h12',
  };
</script>

<section aria-label="Need and supply">
  <h2>
    What it takes and what it gets
    <small>
      mg for each plant, summed since {ledger.since ? dateShort(ledger.since) : 'it began'}
    </small>
  </h2>
  <ul>
    {#each ledger.balances as balance, index (balance.nutrient)}
      {@const line = ledger.lines[index]}
      <li>
        <header class={balance.word}>
          <b>{balance.nutrient}</b>
          <span class="word">
            <svg width="14" height="14" viewBox="0 0 16 16" aria-hidden="true">
              <path d={SHAPES[balance.word]} />
            </svg>
            {balance.text}
          </span>
          <button type="button" onclick={() => explain(balance)}>how?</button>
        </header>
        {#if line}
          <LedgerChart
            {line}
            days={ledger.days}
            today={page.today}
            summary="{balance.name}: need {balance.need.range_text}; reached {balance.reached
              .range_text}; {balance.text}."
          />
        {/if}
        <p>
          wanted so far <b>{balance.needs_text}</b>, got about <b>{balance.had_text}</b>
        </p>
      </li>
    {/each}
  </ul>
  <p class="key">
    <i class="need"></i> what it takes <i class="got"></i> what it could reach; dotted from today on
  </p>
</section>

<style>
  h2 {
    font-size: var(--text-l);
  }

  small {
    color: var(--color-text-soft);
    font: 400 var(--text-s) / 1.4 var(--face-text);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
    gap: var(--space-4) var(--space-6);
    margin: var(--space-2) 0 0;
    padding: 0;
    list-style: none;
  }

  header {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    min-height: var(--touch);
  }

  header b {
    min-width: 28px;
    font: 700 var(--text-l) / 1 var(--face-head);
  }

  .word {
    flex: 1;
    font-size: var(--text-s);
  }

  .word svg {
    vertical-align: -2px;
  }

  .word path {
    fill: none;
    stroke: currentcolor;
    stroke-width: 2.5;
  }

  .hungry .word,
  .short .word {
    color: var(--color-care);
    font-weight: 600;
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

  li p,
  .key {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  li p b {
    color: var(--color-text);
  }

  .key {
    margin-top: var(--space-3);
  }

  i {
    display: inline-block;
    width: 22px;
    height: 0;
    margin-left: var(--space-2);
    border-top: 3px solid var(--color-wish-edge);
    vertical-align: 4px;
  }

  .got {
    border-color: var(--color-rim);
  }
</style>
