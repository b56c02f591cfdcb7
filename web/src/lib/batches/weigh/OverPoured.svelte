<!-- Too much is in: take it out, make more of the rest, or leave it; each with its numbers. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { makeMore, waysOut } from '../doing';
  import { grams, type Batch, type Part } from '../types';

  interface Props {
    batch: Batch;
    part: Part;
    changed: (next: Batch) => void;
    leave: () => void;
  }
  const { batch, part, changed, leave }: Props = $props();
  let ways = $state.raw<Schemas['OverPouredOut'] | null>(null);
  const step = $derived(Number(batch.making.step_g));
  const nameOf = (slug: string): string =>
    batch.parts.find((p) => p.ingredient === slug)?.name.toLowerCase() ?? slug;

  $effect(() => {
    const [id, slug] = [batch.id, part.ingredient];
    void attempt(async () => (ways = await waysOut(id, slug)));
  });

  const grow = (): Promise<void> => attempt(async () => changed(await makeMore(batch, part.ingredient)));
</script>

<section aria-label="Over-poured" class="over">
  <h2 class="held">■ {part.name} is over by {grams(part.poured_g - part.target_g, step)} g</h2>
  {#if ways}
    <div class="way">
      <b>Take out</b>
      {#if ways.take_out}
        <span>
          {grams(ways.take_out.take_out_g, step)} g while it lies alone; stop between {grams(
            ways.take_out.stop_within_g[0] as number,
            step
          )} and {grams(ways.take_out.stop_within_g[1] as number, step)} g. Then void this weighing and weigh what
          is left.
        </span>
      {:else}<span class="soft">Not possible: other flour lies over it.</span>{/if}
    </div>
    {#if ways.make_more}
      <div class="way">
        <b>Make more</b>
        <span>
          {figure(ways.make_more.factor, 3)} times as much: {grams(ways.make_more.more_g)} g more in all{Object.keys(
            ways.make_more.top_up_g
          ).length
            ? `; top up ${Object.entries(ways.make_more.top_up_g)
                .map(([s, g]) => `${nameOf(s)} ${grams(g as number, step)} g`)
                .join(', ')}`
            : ''}.
          {#if ways.make_more.refused}<span class="close">◆ Refused: {ways.make_more.refused}.</span>{/if}
        </span>
        <button class="action" disabled={!!ways.make_more.refused} onclick={grow}>Make more</button>
      </div>
    {/if}
    <div class="way">
      <b>Leave it</b>
      <span>
        {#if ways.leave_it}
          Its share goes from {figure(ways.leave_it.part_flour_pct[0] as number, 1)} to {figure(
            ways.leave_it.part_flour_pct[1] as number,
            1
          )} % of flour, the binder from {figure(ways.leave_it.binder_dose_pct[0] as number, 2)} to {figure(
            ways.leave_it.binder_dose_pct[1] as number,
            2
          )} %.
        {/if}
        {#if ways.fit_before !== null && ways.fit_after !== null}Fit {figure(ways.fit_before, 0)} → {figure(
            ways.fit_after,
            0
          )}.{/if}
        The label follows what was weighed.
      </span>
      <button class="action" onclick={leave}>Leave it</button>
    </div>
  {/if}
</section>

<style>
  .over {
    padding: 0.5rem 0.75rem;
    border: 2px solid var(--held);
    background: var(--held-wash);
  }

  .way {
    display: grid;
    grid-template-columns: 6rem 1fr auto;
    gap: 0.5rem;
    align-items: center;
    padding: 0.35rem 0;
    border-top: 1px solid var(--hairline);
  }

  .way .action {
    min-height: 44px;
  }

  @media (max-width: 480px) {
    .way {
      grid-template-columns: 1fr;
    }
  }
</style>
