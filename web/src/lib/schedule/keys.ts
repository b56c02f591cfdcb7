import { notices } from '../ui/state/notices.svelte';
import { doneAt } from './running/running';
import type { ScheduleBench } from './schedule.svelte';
import type { Step } from './types';

const SMALL_MIN = 5;
const LARGE_MIN = 30;

/** Leaves a step out where it may be, and says so where it may not. */
function leaveOut(bench: ScheduleBench, step: Step): void {
  if (bench.mayLeaveOut(step)) bench.toggle(step, false);
  else notices.say(`“${step.do}” cannot be left out.`);
}

/** What a key does to the chosen step: arrows move it, P holds it, Esc gives it back, O takes another oven, D is done. */
export function stepKey(
  event: KeyboardEvent,
  step: Step,
  bench: ScheduleBench,
  ovens: readonly string[],
  now: number,
  read: (step: Step) => void = () => undefined
): void {
  if (event.ctrlKey || event.metaKey) return;
  const by = event.shiftKey ? LARGE_MIN : SMALL_MIN;
  const act: Record<string, () => void> = {
    ArrowLeft: () => bench.move(step, -by),
    ArrowRight: () => bench.move(step, by),
    p: () => (bench.isPinned(step) ? bench.unpin(step) : bench.pin(step, step.at)),
    Escape: () => (bench.isPinned(step) ? bench.unpin(step) : bench.choose(null)),
    o: () => bench.otherOven(step, ovens),
    n: () => bench.pin(step, new Date(Math.ceil(now / 300_000) * 300_000).toISOString()),
    d: () => bench.commit(doneAt(bench, step, now)),
    r: () => read(step),
    s: () => leaveOut(bench, step)
  };
  const work = act[event.key] ?? act[event.key.toLowerCase()];
  if (!work) return;
  event.preventDefault();
  event.stopPropagation();
  work();
}
