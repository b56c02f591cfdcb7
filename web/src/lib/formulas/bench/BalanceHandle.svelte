<!-- The end of the water: dragged or moved with the keys, it changes the plain water of the dough. -->
<script lang="ts">
  import type { ScaleLinear } from 'd3-scale';
  import { figure } from '../../ui/format';
  import Mark from '../../bands/Mark.svelte';
  import type { Balance } from './balance';
  import type { FormulaBench } from './formula.svelte';
  import type { Content, Gauge } from '../types';

  interface Props {
    bench: FormulaBench;
    balance: Balance;
    x: ScaleLinear<number, number>;
    gauge: Gauge | undefined;
    y: number;
    height: number;
  }
  const { bench, balance, x, gauge, y, height }: Props = $props();
  const KEYS: Record<string, number> = {
    ArrowRight: 1,
    ArrowUp: 1,
    ArrowLeft: -1,
    ArrowDown: -1,
    PageUp: 10,
    PageDown: -10
  };
  let grabbed = $state<{ before: Content; x: number; plain: number; perPx: number } | null>(null);

  function hold(event: PointerEvent): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    const perPx = balance.flour_g / 100 / (x(1) - x(0));
    grabbed = { before: bench.content, x: event.clientX, plain: bench.poured_g, perPx };
  }

  function pull(event: PointerEvent): void {
    if (!grabbed) return;
    bench.preview(bench.withWater(Math.round(grabbed.plain + (event.clientX - grabbed.x) * grabbed.perPx)));
  }

  function drop(): void {
    if (grabbed) bench.commit(bench.content, grabbed.before);
    grabbed = null;
  }

  function key(event: KeyboardEvent): void {
    const way = KEYS[event.key];
    if (event.key === 'Escape' && grabbed) {
      bench.preview(grabbed.before);
      grabbed = null;
    } else if (way) {
      // Whole grams to a step, so that as many steps back end where they began.
      bench.commit(bench.withWater(bench.poured_g + way * Math.max(1, Math.round(balance.flour_g / 100))));
    } else return;
    event.preventDefault();
  }
</script>

<g
  class="handle"
  role="slider"
  tabindex="0"
  aria-label="Water in the dough, % of flour"
  aria-valuenow={Math.round(balance.hydration * 10) / 10}
  aria-valuemin={0}
  aria-valuemax={Math.round(x.domain()[1] ?? 0)}
  aria-valuetext="{figure(balance.hydration, 0)} % of flour, {gauge?.say ?? ''}"
  onpointerdown={hold}
  onpointermove={pull}
  onpointerup={drop}
  onpointercancel={drop}
  onkeydown={key}
>
  <title>Drag, or use the arrow keys, to change the water</title>
  <rect class="grip" x={x(balance.hydration) - 13} y={y - 6} width="26" height={height + 12} />
  <path class="end" d="M{x(balance.hydration)} {y - 8}V{y + height + 8}" />
  <Mark status={gauge?.status ?? 'unknown'} x={x(balance.hydration)} y={y + height / 2} />
</g>

<style>
  .handle {
    cursor: ew-resize;
    touch-action: none;
  }

  .grip {
    fill: transparent;
  }

  .end {
    stroke: var(--ink);
    stroke-width: 3;
  }

  .handle:focus-visible {
    outline: none;
  }

  .handle:focus-visible .grip {
    stroke: var(--flax);
    stroke-width: 2;
  }

  @media (pointer: coarse) {
    .grip {
      stroke: transparent;
      stroke-width: 20;
    }
  }
</style>
