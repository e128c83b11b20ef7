<!-- A drawing made of marks, in the inks of plants. What it shows is said beside it in words. -->
<script lang="ts">
  import type { Mark } from './shape';

  interface Props {
    marks: Mark[];
    size?: number;
    /** From which height on it is shown: what grows low leaves nothing empty above it. */
    top?: number;
    /** Where the drawing stands alone: what it shows. */
    label?: string;
  }
  const { marks, size = 88, top = 0, label }: Props = $props();
  const id = $props.id();
  const clips = $derived([...new Set(marks.flatMap((mark) => mark.inside ?? []))]);
  const held = $derived(new Map(clips.map((d, index) => [d, `${id}-${index}`])));
  const ink = (name: string | undefined) => (name ? `var(--plant-${name})` : 'none');
  function moved(at: Mark['at']): string | undefined {
    return at && `translate(${at.x} ${at.y}) rotate(${at.turn ?? 0}) scale(${at.size})`;
  }
</script>

<svg
  width={size}
  height={(size * (100 - top)) / 100}
  viewBox="0 {top} 100 {100 - top}"
  role={label ? 'img' : undefined}
  aria-label={label}
  aria-hidden={label ? undefined : 'true'}
>
  <defs>
    {#each clips as d, index (index)}
      <clipPath id="{id}-{index}"><path {d} /></clipPath>
    {/each}
  </defs>
  {#each marks as mark, index (index)}
    <path
      d={mark.d}
      fill={ink(mark.fill)}
      stroke={ink(mark.line)}
      stroke-width={mark.width ?? 1}
      stroke-dasharray={mark.dash}
      opacity={mark.fade}
      transform={moved(mark.at)}
      clip-path={mark.inside ? `url(#${held.get(mark.inside) ?? ''})` : undefined}
    />
  {/each}
</svg>

<style>
  svg {
    display: block;
    flex: none;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
</style>
