<!-- A knot: where hands are wanted. It is chosen, dragged along its thread, and moved by keys. -->
<script lang="ts">
  import { dayAndTime } from '../clock';
  import type { Step } from '../types';

  interface Props {
    step: Step;
    cx: number;
    cy: number;
    zone: string;
    chosen: boolean;
    pinned: boolean;
    first: boolean;
    anyChosen: boolean;
    onpick: () => void;
    onpointerdown: (event: PointerEvent) => void;
    onpointermove: (event: PointerEvent) => void;
    onpointerup: (event: PointerEvent) => void;
    onkeydown: (event: KeyboardEvent) => void;
  }
  const {
    step,
    cx,
    cy,
    zone,
    chosen,
    pinned,
    first,
    anyChosen,
    onpick,
    onpointerdown,
    onpointermove,
    onpointerup,
    onkeydown
  }: Props = $props();
  const STATES: Record<string, string> = { running: ', going on', done: ', done' };
  const reach = matchMedia('(pointer: coarse)').matches ? 22 : 9; // px that a finger, or a pointer, may be off
  const label = $derived(
    `${step.product}, ${step.do}, ${dayAndTime(step.at, zone)}${pinned ? ', pinned' : ''}${STATES[step.state] ?? ''}`
  );
</script>

<g
  id="knot-{step.product}-{step.step}"
  class="knot"
  class:chosen
  class:done={step.state === 'done'}
  role="button"
  tabindex={chosen || (first && !anyChosen) ? 0 : -1}
  aria-label={label}
  aria-pressed={chosen}
  onfocus={onpick}
  {onpointerdown}
  {onpointermove}
  {onpointerup}
  {onkeydown}
>
  <circle class="reach" {cx} {cy} r={reach} />
  {#if pinned}<path class="pin" d="M{cx} {cy - 5}V{cy - 15}m-4 0h8" />{/if}
  <circle class="ring" {cx} {cy} r={chosen ? 7 : 5} />
</g>

<style>
  .knot {
    cursor: grab;
    outline: none;
    touch-action: none;
  }

  .reach {
    fill: transparent;
  }

  .ring {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.8;
  }

  .done .ring {
    fill: var(--ink);
  }

  .chosen .ring {
    stroke: var(--flax);
    stroke-width: 3;
  }

  .knot:focus-visible .reach {
    stroke: var(--flax);
    stroke-width: 2;
  }

  .pin {
    fill: none;
    stroke: var(--flax);
    stroke-width: 2;
  }
</style>
