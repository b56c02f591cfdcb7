<!-- A tin from the side: how full it goes in, and how high it is expected to rise, against its rim. -->
<script lang="ts">
  import { figure } from '../../ui/format';

  interface Props {
    tin: {
      shape: string;
      length_cm: number;
      base_length_cm?: number | null;
      height_cm: number;
      hole_cm?: number | null;
      count?: number;
    };
    fill: number;
    risen: number;
  }
  const { tin, fill, risen }: Props = $props();
  const W = 250;
  const H = 170;
  const FOOT = 22;
  const most = $derived(Math.max(tin.length_cm, tin.base_length_cm ?? 0));
  const k = $derived(
    Math.min((W - 70) / most, (H - FOOT - 34) / Math.max(tin.height_cm, tin.height_cm * risen))
  );
  const h = $derived(tin.height_cm * k);
  const top = $derived((tin.length_cm * k) / 2);
  const base = $derived(((tin.base_length_cm ?? tin.length_cm) * k) / 2);
  const cx = W / 2 - 14;
  const y0 = H - FOOT;
  const half = (share: number): number => base + (top - base) * Math.min(share, 1.4);
  const level = (share: number): string =>
    `M${cx - base} ${y0}L${cx - half(share)} ${y0 - h * share}H${cx + half(share)}L${cx + base} ${y0}Z`;
  const domed = $derived(
    `M${cx - half(Math.min(1, risen))} ${y0 - h * Math.min(1, risen)}Q${cx} ${y0 - h * risen - 14} ${cx + half(Math.min(1, risen))} ${y0 - h * Math.min(1, risen)}`
  );
</script>

<svg
  width={W}
  height={H}
  role="img"
  aria-label="Filled to {figure(100 * fill, 0)} % of the tin, risen to about {figure(100 * risen, 0)} %"
>
  <path class="rise" d={level(Math.min(1, risen))} />
  <path class="dome" class:over={risen > 1} d={domed} />
  <path class="dough" d={level(fill)} />
  <path class="tin" d="M{cx - top} {y0 - h}L{cx - base} {y0}H{cx + base}L{cx + top} {y0 - h}" />
  {#if tin.shape === 'ring' && tin.hole_cm}
    <rect class="hole" x={cx - (tin.hole_cm * k) / 2} y={y0 - h} width={tin.hole_cm * k} height={h} />
  {/if}
  <path class="rim" d="M{cx - top - 8} {y0 - h}H{cx + top + 8}" />
  <text x={cx + top + 10} y={y0 - h + 4}>rim</text>
  <text x={cx + half(fill) + 6} y={y0 - h * fill + 4}>in</text>
  <text class:over={risen > 1} x={cx} y={y0 - h * risen - 12} text-anchor="middle">risen</text>
  <text x={cx} y={H - 5} text-anchor="middle"
    >{figure(tin.length_cm, 1)} cm{(tin.count ?? 1) > 1 ? ` × ${tin.count}` : ''}</text
  >
</svg>

<style>
  .dough {
    fill: var(--role-refined_flour);
    stroke: var(--role-ink);
  }

  .rise {
    fill: var(--passes-wash);
  }

  .dome {
    fill: none;
    stroke: var(--passes);
    stroke-dasharray: 5 4;
    stroke-width: 2;
  }

  .dome.over {
    stroke: var(--held);
  }

  .tin {
    fill: none;
    stroke: var(--ink);
    stroke-width: 3;
  }

  .hole {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 2;
  }

  .rim {
    stroke: var(--soft);
    stroke-dasharray: 2 3;
  }

  text {
    fill: var(--soft);
    font-size: 0.75rem;
  }

  text.over {
    fill: var(--held);
    font-weight: 600;
  }
</style>
