<!-- How plants looked, on the same axis of days as what is drawn above. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import Frame from '../../charts/Frame.svelte';
  import { linePath } from '../../charts/frame';
  import { LANE, lanesOf, lanesTable } from '../../charts/lanes';
  import Message from '../../ui/Message.svelte';

  interface Props {
    /** Both ends of the axis, in ms. */
    from: number;
    to: number;
    zone: string;
    stopId?: string;
    /** Room for names on the right, and for the scale on the left, as the chart above has. */
    right?: number;
    left?: number;
  }
  const { from, to, zone, stopId, right = 122, left = 40 }: Props = $props();
  const read = new Resource<Schemas['LanesOut']>();
  const lanes = $derived(read.data ? lanesOf(read.data) : []);
  const day = (at: number) => new Date(at).toISOString().slice(0, 10);

  follow(
    () => [day(from), day(to), stopId ?? null, garden.version] as const,
    ([since, until, stop]) => {
      const params = { query: { since, until, stop } };
      void read.load((signal) => ask(client.GET('/api/score-lanes', { params, signal })));
    },
  );
</script>

<Message problem={read.problem} again={read.again} />
{#if read.data && lanes.length}
  <figure>
    <Frame
      summary="Scores from 0 to 5 in a lane for each scale, {read.data.weekly
        ? 'by the week'
        : 'by the day'}: {lanes.map((lane) => lane.name).join(', ')}."
      height={LANE * lanes.length + 34}
      {from}
      {to}
      {zone}
      {left}
      {right}
      table={lanesTable(read.data)}
    >
      {#snippet children({ x, left: begin, right: end, top })}
        {#each lanes as lane, index (lane.key)}
          {@const foot = top + LANE * (index + 1) - 6}
          {@const y = (height: number) => foot - height * (LANE - 12)}
          <path class="foot" d="M{begin} {foot}H{end}" />
          <path class="line" d={linePath(lane.dots.map((one) => [x(one.at), y(one.height)]))} />
          {#each lane.dots as one (one.at)}
            <path class="span" d="M{x(one.at)} {y(one.low)}V{y(one.high)}" />
            <circle cx={x(one.at)} cy={y(one.height)} r={lane.dots.length > 200 ? 1.5 : 3.5}>
              <title>{one.title}</title>
            </circle>
          {/each}
          {#if right < 60}
            <text x={begin + 4} y={foot - LANE + 20}>{lane.name}</text>
          {:else}
            <text x={end + 12} y={foot - 4}>{lane.name}</text>
          {/if}
        {/each}
      {/snippet}
    </Frame>
    <figcaption>
      scores, 5 at the top of each lane{read.data.weekly ? '; a dot a week' : ''}
    </figcaption>
  </figure>
{/if}

<style>
  figure {
    margin: var(--space-3) 0 0;
  }

  figcaption,
  text {
    fill: var(--color-text-soft);
    color: var(--color-text-soft);
    font-size: 14px;
  }

  .foot {
    stroke: var(--color-line);
  }

  .line {
    fill: none;
    stroke: var(--color-go);
    stroke-width: 1.5;
    opacity: 0.6;
  }

  .span {
    stroke: var(--color-go);
    stroke-width: 3;
    opacity: 0.35;
  }

  circle {
    fill: var(--color-go);
    stroke: var(--color-panel);
  }
</style>
