<!-- Two columns with hairlines that join the same ingredients. -->
<script lang="ts">
  import type { Analysis } from '../../api/client';
  import Layers from '../column/Layers.svelte';
  import { layersOf, spread } from '../column/layout';
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';

  interface Props {
    left: Analysis;
    right: Analysis;
    height?: number;
  }
  const { left, right, height = 420 }: Props = $props();
  const WIDTH = 64;
  const GAP = 70;
  const NAMES = 178;

  function pieces(a: Analysis): { slug: string; share: number; role: string; name: string }[] {
    return a.parts
      .map((p, n) => ({ slug: p.ingredient, share: p.mix_pct, role: p.role, name: p.name, n }))
      .sort((p, q) => kitchen.roleOrder(p.role) - kitchen.roleOrder(q.role) || p.n - q.n);
  }
  function labels(a: Analysis): { name: string; share: number; y: number; at: number; slug: string }[] {
    const list = pieces(a);
    const layers = layersOf(list, height);
    const middles = layers.map((l) => l.y + l.h / 2);
    const placed = spread(middles, 19, height);
    return list.map((p, n) => ({
      name: p.name,
      share: p.share,
      slug: p.slug,
      y: placed[n] ?? 0,
      at: middles[n] ?? 0
    }));
  }
  const leftLabels = $derived(labels(left));
  const rightLabels = $derived(labels(right));
  const joined = $derived(
    leftLabels.flatMap((l) => {
      const r = rightLabels.find((q) => q.slug === l.slug);
      return r ? [{ slug: l.slug, y1: l.at, y2: r.at }] : [];
    })
  );
  const x2 = NAMES + WIDTH + GAP;
  const whole = x2 + WIDTH + NAMES;
  const short = (name: string): string => (name.length > 20 ? `${name.slice(0, 19)}…` : name);
</script>

<svg
  viewBox="0 -2 {whole} {height + 4}"
  role="img"
  aria-label="The two mixes as columns; the table says the same"
>
  <Layers pieces={pieces(left)} {height} width={WIDTH} x={NAMES} />
  <Layers pieces={pieces(right)} {height} width={WIDTH} x={x2} />
  {#each joined as line (line.slug)}
    <line x1={NAMES + WIDTH} y1={line.y1} {x2} y2={line.y2} />
  {/each}
  {#each leftLabels as l (l.slug)}
    <text class="end" x={NAMES - 14} y={l.y + 4}>{short(l.name)} {figure(l.share, 1)}</text>
    <line x1={NAMES - 10} y1={l.y} x2={NAMES} y2={l.at} />
  {/each}
  {#each rightLabels as r (r.slug)}
    <text x={x2 + WIDTH + 14} y={r.y + 4}>{short(r.name)} {figure(r.share, 1)}</text>
    <line x1={x2 + WIDTH} y1={r.at} x2={x2 + WIDTH + 10} y2={r.y} />
  {/each}
</svg>
<p class="soft small">% of the whole mix. A hairline joins the same ingredient.</p>

<style>
  svg {
    width: 100%;
    max-height: 62vh;
  }

  line {
    stroke: var(--line);
    stroke-width: 0.9;
  }

  text {
    fill: var(--ink);
    font-size: 12px;
  }

  .end {
    text-anchor: end;
  }
</style>
