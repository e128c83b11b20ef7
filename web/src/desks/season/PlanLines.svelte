<!-- Need and supply to come of a stop, nitrogen and potassium, from today on. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import LedgerChart from '../../charts/LedgerChart.svelte';

  interface Props {
    plan: Schemas['PlanOut'];
    lines: Schemas['LinesOut'];
  }
  const { plan, lines }: Props = $props();
  const shown = $derived(lines.lines.filter((one) => ['N', 'K'].includes(one.nutrient)));
</script>

<div class="wide">
  <h3>Need and supply to come <small>mg of the whole stop, summed from today, likely</small></h3>
  <div class="charts">
    {#each shown as line (line.nutrient)}
      <div>
        <b>{line.nutrient}</b>
        <LedgerChart
          {line}
          days={lines.days}
          today={plan.today}
          summary="{line.nutrient}: {line.need.at(-1) ?? 0} mg wanted and {line.reached.at(-1) ??
            0} mg likely taken in {plan.weeks} weeks"
        />
      </div>
    {/each}
  </div>
</div>

<style>
  .wide {
    grid-column: 1 / -1;
  }

  h3 {
    margin-bottom: var(--space-1);
    font-size: var(--text-m);
  }

  small {
    color: var(--color-text-soft);
    font-weight: 400;
  }

  .charts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
    gap: var(--space-4);
  }
</style>
