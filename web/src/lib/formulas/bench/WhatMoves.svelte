<!-- How a gauge was worked out: its rule, what it is judged by, and what a little more of each line would do to it. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import Moves from '../../bands/Moves.svelte';
  import { figure, mass } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { inSight } from '../../ui/sight';
  import { loadOn } from '../../ui/state/loading.svelte';
  import type { FormulaBench } from './formula.svelte';

  const { bench, gauge }: { bench: FormulaBench; gauge: Schemas['Gauge'] } = $props();
  const SEEN = 0.005;
  let lines = $state.raw<Schemas['LineMoves'][]>([]);
  let trouble = $state('');
  const there = $derived(lines.length > 0);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const moving = $derived(
    lines
      .filter((l) => Math.abs(l.by[gauge.name] ?? 0) >= SEEN)
      .toSorted((a, b) => Math.abs(b.by[gauge.name]!) - Math.abs(a.by[gauge.name]!))
  );
  const rows = $derived(
    moving.flatMap((l) => {
      const line = bench.lines[l.at];
      if (!line) return [];
      const [there, more] = [mass(l.mass_g, unit), mass(l.step_g, unit)];
      return [{ name: bench.nameOf(line, l.at), there, more, moves: l.by[gauge.name]! }];
    })
  );
  /** The band in words: where one side cannot be passed, only the other is told. */
  const band = $derived.by(() => {
    const b = gauge.band;
    if (!b) return '';
    const [low, high] = [figure(b.good_low, 1), figure(b.good_high, 1)];
    if (b.good_low <= b.hard_low) return `up to ${high}`;
    return Number.isFinite(b.good_high) && b.good_high < b.hard_high
      ? `from ${low} to ${high}`
      : `from ${low}`;
  });

  async function load(content: typeof bench.content): Promise<void> {
    try {
      lines = (await ask(api.POST('/api/v1/formula-moves', { body: { content } }))).data.items;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => bench.content, load);
</script>

<div class="small" {@attach inSight(there)}>
  <p>
    {#if band}Good {band} {gauge.unit}, {gauge.basis}.{:else}No band is known here.{/if}
    <a href="#/method/{gauge.section}">How is this worked out?</a>
  </p>
  {#if trouble}
    <p class="held" role="alert">{trouble}</p>
  {:else if moving.length}
    <Moves {rows} what="Line" unit={gauge.unit} />
  {:else}
    <p class="soft">No line moves it a little at a time.</p>
  {/if}
</div>
