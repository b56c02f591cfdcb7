<!-- A sieve grading drawn as its curve: what passed each mesh, with the fitted distribution. -->
<script lang="ts">
  import { scaleLinear, scaleLog } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';

  const { grading }: { grading: Schemas['Grading'] } = $props();
  let width = $state(560);
  const HEIGHT = 240;
  const LEFT = 44;
  const BOTTOM = 36;
  const sizes = $derived(grading.passing.map((p) => p.opening_um));
  const least = $derived(Math.min(...sizes) / 1.6);
  const most = $derived(Math.max(...sizes) * 1.4);
  const x = $derived(scaleLog([least, most], [LEFT, width - 10]));
  const y = $derived(scaleLinear([0, 100], [HEIGHT - BOTTOM, 10]));
  const measured = $derived(
    line<{ opening_um: number; passing_pct: number }>(
      (p) => x(p.opening_um),
      (p) => y(p.passing_pct)
    )([...grading.passing]) ?? ''
  );
  const fitted = $derived.by(() => {
    const fit = grading.fit;
    if (!fit) return '';
    const steps = Array.from({ length: 60 }, (_, n) => least * (most / least) ** (n / 59));
    return (
      line<number>(
        (d) => x(d),
        (d) => y(100 * (1 - Math.exp(-((d / fit.size_um) ** fit.spread))))
      )(steps) ?? ''
    );
  });
  const marks = $derived(
    [
      { share: 10, at: grading.d10_um },
      { share: 50, at: grading.d50_um },
      { share: 90, at: grading.d90_um }
    ].filter((m): m is { share: number; at: number } => m.at !== null)
  );
</script>

<figure bind:clientWidth={width}>
  <svg
    {width}
    height={HEIGHT}
    viewBox="0 0 {width} {HEIGHT}"
    role="img"
    aria-label="Share finer than each size"
  >
    {#each [0, 50, 100] as share (share)}
      <path class="grid" d="M{LEFT} {y(share)}H{width - 10}" />
      <text class="end" x={LEFT - 6} y={y(share) + 4}>{share} %</text>
    {/each}
    {#each sizes as size (size)}
      <path class="mesh" d="M{x(size)} {HEIGHT - BOTTOM}v-{HEIGHT - BOTTOM - 10}" />
      <text class="middle" x={x(size)} y={HEIGHT - BOTTOM + 16}>{figure(size, 0)}</text>
    {/each}
    <text class="middle" x={(LEFT + width) / 2} y={HEIGHT - 4}>size, µm</text>
    <path class="fit" d={fitted} />
    <path class="curve" d={measured} />
    {#each grading.passing as p (p.opening_um)}<circle
        cx={x(p.opening_um)}
        cy={y(p.passing_pct)}
        r="4"
      />{/each}
    {#each marks as m (m.share)}
      <path class="drop" d="M{LEFT} {y(m.share)}H{x(m.at)}V{HEIGHT - BOTTOM}" />
      <text x={x(m.at) + 5} y={HEIGHT - BOTTOM - 6}
        >d{m.share === 10 ? '₁₀' : m.share === 50 ? '₅₀' : '₉₀'} {figure(m.at, 0)}</text
      >
    {/each}
  </svg>
  <figcaption class="small soft">
    Finer than each mesh, % of what was recovered; dashed: Rosin–Rammler.
  </figcaption>
</figure>

<style>
  figure {
    max-width: 44rem;
    margin-top: 0.75rem;
  }

  path {
    fill: none;
  }

  .grid {
    stroke: var(--hairline);
  }

  .mesh {
    stroke: var(--mesh);
    stroke-dasharray: 2 3;
  }

  .curve {
    stroke: var(--ink);
    stroke-width: 2;
  }

  .fit {
    stroke: var(--flax);
    stroke-dasharray: 5 4;
    stroke-width: 1.6;
  }

  .drop {
    stroke: var(--soft);
    stroke-width: 0.8;
  }

  circle {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.8;
  }

  text {
    fill: var(--soft);
    font-size: 0.75rem;
  }

  .end {
    text-anchor: end;
  }

  .middle {
    text-anchor: middle;
  }
</style>
