<!-- The layer that is poured now, drawn large: it rises towards its open band; below it close, inside passes, above held. -->
<script lang="ts">
  import { grams, standsAt, type Part } from '../types';

  const {
    part,
    in_g,
    step,
    height = 330
  }: { part: Part; in_g: number; step: number; height?: number } = $props();
  const X = 6;
  const WIDTH = 84;
  const reach = $derived(Math.max(part.target_g * 0.12, (part.high_g - part.low_g) * 4, step * 12));
  const top = $derived(part.target_g + reach * 0.35);
  const foot = $derived(Math.max(0, part.target_g - reach));
  const y = (g: number): number =>
    height * (1 - (Math.min(top, Math.max(foot, g)) - foot) / (top - foot || 1));
  const stands = $derived(standsAt(part, in_g));
  const WORDS = { open: '', close: '◆ close', passes: '● passes', held: '■ held' };
</script>

<svg viewBox="0 -6 {X + WIDTH + 84} {height + 26}" aria-hidden="true">
  <rect class="above" x={X} y="0" width={WIDTH} height={y(part.high_g)} />
  <rect
    class="band"
    x={X}
    y={y(part.high_g)}
    width={WIDTH}
    height={Math.max(2, y(part.low_g) - y(part.high_g))}
  />
  {#if in_g > foot}
    <rect x={X} y={y(in_g)} width={WIDTH} height={height - y(in_g)} style:fill="var(--role-{part.role})" />
    <rect x={X} y={y(in_g)} width={WIDTH} height={height - y(in_g)} fill="url(#hatch-{part.role})" />
  {/if}
  <path class="wall" d="M{X} 0V{height}H{X + WIDTH}V0" />
  <path class="line" d="M{X - 6} {y(part.high_g)}h{WIDTH + 12}M{X - 6} {y(part.low_g)}h{WIDTH + 12}" />
  <text x={X + WIDTH + 10} y={Math.max(8, y(part.high_g) - 8)} class="small"
    >{grams(part.high_g, step)} g</text
  >
  <text x={X + WIDTH + 10} y={y(part.low_g) + 14} class="small">{grams(part.low_g, step)} g</text>
  {#if in_g > 0}
    <text
      x={X + WIDTH + 10}
      y={Math.min(height - 2, Math.max(y(part.low_g) + 34, y(in_g) + 4))}
      class={stands}>{WORDS[stands]}</text
    >
  {/if}
  <text x={X} y={height + 16} class="small">drawn from {grams(foot)} g up</text>
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 190px;
    overflow: visible;
  }

  .above {
    fill: url(#mesh);
  }

  .band {
    fill: var(--passes-wash);
  }

  .wall {
    fill: none;
    stroke: var(--tube);
    stroke-width: 2;
  }

  .line {
    stroke: var(--passes);
    stroke-width: 2;
  }

  text {
    fill: var(--ink);
    font-size: 14px;
    font-weight: 600;
  }

  .small {
    fill: var(--soft);
    font-size: 12px;
    font-weight: 400;
  }

  .close {
    fill: var(--close);
  }

  .passes {
    fill: var(--passes);
  }

  .held {
    fill: var(--held);
  }
</style>
