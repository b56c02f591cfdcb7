<!-- What can be done next: plan, bake on, keep the point; and that the table decides. -->
<script lang="ts">
  import { attempt } from '../../ui/state/attempt';
  import { notices } from '../../ui/state/notices.svelte';
  import { goOn, keepPoint, planBakes, type Loaded } from '../doing';
  import { inOrder, type Experiment } from '../types';

  interface Props {
    experiment: Experiment;
    x: readonly number[];
    inside: boolean;
    changed: (next: Loaded) => void;
    move: (x: readonly number[]) => void;
  }
  const { experiment: e, x, inside, changed, move }: Props = $props();
  const names = $derived(e.asked.parts.map((p) => p.name));
  const planning = $derived(!e.runs.some((r) => r.value !== null || r.failed || r.trial_id));
  const waiting = $derived(e.runs.filter((r) => r.value === null && !r.failed).length);

  const next = (count: number, at: number[] | null = null): Promise<void> =>
    attempt(async () => changed(await goOn(e.id, { count, x: at })));

  async function keep(): Promise<void> {
    const kept = await keepPoint(e.id, [...x]);
    notices.say(`Kept as revision ${kept.revision} of ${e.blend_name}, with this experiment as its reason.`);
  }
</script>

<div class="acts">
  {#if planning}
    <button
      class="action main"
      disabled={!!e.trouble}
      onclick={() => attempt(async () => changed(await planBakes(e.id)))}
      >{e.runs.length ? 'Plan anew' : `Plan ${e.asked.bakes} bakes`}</button
    >
  {:else if e.map}
    <button class="action main" onclick={() => next(1)}
      >{waiting ? 'Add the next bake' : `Plan bake ${e.runs.length + 1}`}</button
    >
    <button class="action" onclick={() => next(3)}>Next three, a day</button>
    <button class="action" disabled={!inside} onclick={() => next(1, [...x])}>Bake the point instead</button>
  {/if}
  {#if e.map}
    <button class="action" onclick={() => move(inOrder(e.map!.best.x, names))}>To the best</button>
    <button class="action" disabled={!inside} onclick={() => attempt(keep)}
      >Keep the point as a revision</button
    >
  {/if}
</div>
{#if e.map && e.map.stop.advice !== 'go-on'}
  <p class="small">
    The map proposes, the table decides: bake the best and today's blend on one day and
    <a href="#/tastings">taste them blind</a>.
  </p>
{/if}

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin: 0.8rem 0;
  }

  p {
    color: var(--close);
  }
</style>
