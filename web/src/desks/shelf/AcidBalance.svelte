<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    limits: Schemas['LimitsOut'];
  }
  let { limits }: Props = $props();
  const WIDTH = 300;
</script>

<figure>
  <svg viewBox="0 0 {WIDTH} 74" role="img" aria-label={limits.sentence}>
    <text x="0" y="14">acid{limits.acid_runs_out ? ': runs out' : ''}</text>
    <rect class="rail" y="20" width={WIDTH} height="12" />
    <rect class="acid" y="20" width={WIDTH * limits.acid_share_used} height="12" />
    <text x="0" y="52">shell{limits.acid_runs_out ? '' : ': runs out'}</text>
    <rect class="rail" y="58" width={WIDTH} height="12" />
    <rect class="shell" y="58" width={WIDTH * limits.share_dissolved} height="12" />
  </svg>
  <figcaption>{limits.sentence}</figcaption>
</figure>

<style>
  figure {
    max-width: 420px;
    margin: 0;
  }

  svg {
    display: block;
    width: 100%;
  }

  text {
    fill: var(--color-text);
    font-size: 14px;
  }

  .rail {
    fill: var(--color-panel-low);
    stroke: var(--color-edge);
  }

  .acid {
    fill: var(--color-care);
  }

  .shell {
    fill: var(--color-rim);
  }

  figcaption {
    margin-top: var(--space-1);
  }
</style>
