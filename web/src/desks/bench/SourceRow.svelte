<!-- A further source in the can, with a small measure of its own. -->
<script lang="ts">
  import type { Bench, Preview } from './bench.svelte';
  import { inUnit } from './beside.svelte';
  import { stepOf } from './level';
  import SmallGlass from './SmallGlass.svelte';

  interface Props {
    bench: Bench;
    jarId: string;
    /** As the preview has it; none while the first answer is on its way. */
    row: Preview['more'][number] | undefined;
    /** Its turn in the can, from 2 on. */
    turn: number;
  }
  const { bench, jarId, row, turn }: Props = $props();
  const name = $derived(
    row?.name ?? bench.supplies?.jars.find((jar) => jar.id === jarId)?.name ?? '',
  );
  const holds = $derived(row?.measure.holds ?? 10);
  const amount = $derived(row?.amount ?? 0);
  /** What its box shows: how strong it is by now, whatever was typed to make it so. */
  const said = $derived(row?.strength ?? '');
  function set(next: number) {
    if (row && next > 0) bench.beside.say(jarId, inUnit(next, row.unit));
  }
</script>

<li>
  <SmallGlass {name} {holds} {amount} spoken={row?.spoken ?? 'nothing yet'} onset={set} />
  <p>
    <b>{turn}. {name}</b>
    <span>
      {row?.amount_text ?? '–'}{row?.spoons ? `, about ${row.spoons}` : ''}
      {#if row && row.readings.length > 1}· read as {row.readings[0]}{/if}
      {#if row && row.stock_after < 0}<strong>more than is left</strong>{/if}
    </span>
  </p>
  <input
    aria-label="How much of {name}"
    value={said}
    autocomplete="off"
    spellcheck="false"
    onchange={(event) => bench.beside.say(jarId, { text: event.currentTarget.value, shown: said })}
  />
  <button type="button" aria-label="Less {name}" onclick={() => set(amount - stepOf(holds) * 5)}
    >−</button
  >
  <button type="button" aria-label="More {name}" onclick={() => set(amount + stepOf(holds) * 5)}
    >+</button
  >
  <button type="button" aria-label="Take {name} out" onclick={() => bench.beside.takeOut(jarId)}
    >×</button
  >
</li>

<style>
  li {
    display: flex;
    gap: var(--space-2);
    align-items: center;
  }

  p {
    flex: 1 1 120px;
    min-width: 0;
    line-height: 1.2;
  }

  b,
  span {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  strong {
    color: var(--color-stop);
  }

  input {
    width: 12ch;
    min-height: var(--touch);
    padding: 0 var(--space-2);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: var(--color-field);
  }

  button {
    flex: none;
    width: var(--touch);
    height: var(--touch);
    border: 1px solid var(--color-edge);
    border-radius: 50%;
    background: none;
    font-size: var(--text-l);
    line-height: 1;
    cursor: pointer;
  }

  @media (width <= 700px) {
    li {
      flex-wrap: wrap;
    }

    p {
      flex-basis: calc(100% - 60px);
    }
  }
</style>
