<!-- One product's thread: a band that swells as the dough ripens, an open gate where it is ripe, a wall at the rim. -->
<script lang="ts">
  import type { ScaleLinear } from 'd3-scale';
  import { area } from 'd3-shape';
  import { sameStep, type StepKey } from '../types';
  import { middleOf, swell, type Lane, type Piece } from './lanes';
  import { SWATCHES } from './swatches';

  interface Props {
    index: number;
    pieces: readonly Piece[];
    lanes: readonly Lane[];
    x: ScaleLinear<number, number>;
    top: number;
    now: number;
    chosen: StepKey | null;
  }
  const { index, pieces, lanes, x, top, now, chosen }: Props = $props();

  const THIN = 3;
  const swatch = $derived(SWATCHES[index % SWATCHES.length]!);
  const y = (p: Piece) => top + middleOf(p, lanes);
  const half = (p: Piece, end: boolean) => {
    const curve = p.step.curve;
    return curve.length ? swell(end ? curve.at(-1)! : curve[0]!) : THIN;
  };

  /** The band of a step: its thickness is how ripe the dough is. */
  function band(p: Piece): string {
    const curve = p.step.curve.length ? p.step.curve : [null, null];
    const at = (n: number) => x(p.from + ((p.to - p.from) * n) / (curve.length - 1));
    const thick = (v: number | null) => (v === null ? THIN : swell(v));
    const shape = area<number | null>()
      .x((_, n) => at(n))
      .y0((v) => y(p) - thick(v))
      .y1((v) => y(p) + thick(v));
    return shape(curve) ?? '';
  }

  function follows(p: Piece): Piece[] {
    return p.step.after.map((name) => pieces.find((q) => q.step.step === name)!).filter(Boolean);
  }

  /** From where a step's dough leaves one place to where it comes into another. */
  function link(from: Piece, to: Piece): string {
    const x0 = x(Math.min(from.until, to.from));
    const x1 = x(to.from);
    return `M${x(from.to)} ${y(from)}H${x0}C${x0 + 6} ${y(from)} ${x1 - 6} ${y(to)} ${x1} ${y(to)}`;
  }

  const bracket = (px: number, py: number, way: 1 | -1) =>
    `M${px + 5 * way} ${py - 14}H${px}V${py + 14}H${px + 5 * way}`;
  /** Words on the thread where there is room: what the dough is at where it stays long. */
  const spoken = $derived(
    pieces
      .map((p) => ({ p, wide: x(p.to) - x(p.from), said: said(p) }))
      .filter(({ wide, said }) => wide > said.length * 6.3 + 12)
  );
  const first = $derived(pieces.toSorted((a, b) => a.from - b.from)[0]);

  function said(p: Piece): string {
    const name = p.step.step.replace('-', ' ');
    const big = p.step.kind === 'ferment' || p.step.kind === 'chill' || p.step.kind === 'bake' || p === first;
    return big || p.step.kind === 'cool' ? `${p.step.product}: ${name}` : name;
  }
</script>

<g class="thread" style:--fill="var({swatch.colour})">
  {#each pieces as p (p.step.step)}
    {#each follows(p) as from (from.step.step)}
      <path class="link edge" d={link(from, p)} /><path class="link" d={link(from, p)} />
    {/each}
  {/each}
  {#each pieces as p (p.step.step)}
    <g class:past={p.to < now || p.step.state === 'done'} class:chosen={sameStep(chosen, p.step)}>
      <path class="band" d={band(p)} />
      <path class="hatch" d={band(p)} fill="url(#{swatch.hatch})" />
      {#if p.step.gate}
        {@const a = Date.parse(p.step.gate[0]!)}
        {@const b = Date.parse(p.step.gate[1]!)}
        <path class="gate" d="{bracket(x(a), y(p), 1)}{bracket(x(b), y(p), -1)}" />
      {/if}
      {#if p.step.likely}
        {@const a = x(Date.parse(p.step.likely[0]!))}
        {@const b = x(Date.parse(p.step.likely[1]!))}
        <path class="whisker" d="M{a} {y(p)}H{b}M{a} {y(p) - 4}v8M{b} {y(p) - 4}v8" />
      {/if}
      {#if p.step.rim_at && x(Date.parse(p.step.rim_at)) < x.range()[1]!}
        <rect class="rim" x={x(Date.parse(p.step.rim_at)) - 2} y={y(p) - 13} width="4" height="26" />
      {/if}
      {#if p.step.announced && Math.abs(Date.parse(p.step.announced) - p.from) >= 300_000}
        <path class="ghost" d="M{x(Date.parse(p.step.announced))} {y(p) - 9}v18" />
      {/if}
    </g>
  {/each}
  {#each spoken as { p, said } (p.step.step)}
    <text x={x(p.from) + 9} y={y(p) - Math.max(half(p, false), p.step.curve.length ? 6 : THIN) - 4}
      >{said}</text
    >
  {/each}
</g>

<style>
  .band {
    fill: var(--fill);
    stroke: var(--role-ink);
    stroke-width: 0.8;
  }

  .hatch {
    pointer-events: none;
  }

  .link {
    fill: none;
    stroke: var(--fill);
    stroke-width: 2.5;
  }

  .edge {
    stroke: var(--role-ink);
    stroke-width: 4;
  }

  .past {
    opacity: 0.5;
  }

  .chosen .band {
    stroke: var(--flax);
    stroke-width: 2;
  }

  .gate {
    fill: none;
    stroke: var(--passes);
    stroke-width: 2;
  }

  .whisker {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.3;
  }

  .rim {
    fill: var(--ink);
  }

  .ghost {
    stroke: var(--ink);
    stroke-dasharray: 3 2;
  }

  text {
    font-size: 12px;
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--sheet);
    stroke-width: 3px;
    stroke-linejoin: round;
  }
</style>
