<!-- How warm the water must be: a sentence with blanks, and its answer. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { temperature } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';
  import type { FormulaBench } from '../bench/formula.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const unit = $derived(kitchen.settings?.temp_unit ?? 'c');
  const shown = (c: number): string => String(Math.round(unit === 'f' ? (c * 9) / 5 + 32 : c));
  let dough_c = $state(26);
  let room_c = $state(20);
  let tap_c = $state(12);
  let mixing = $state<'machine' | 'hand'>('machine');
  let plan = $state.raw<Schemas['WaterPlan'] | null>(null);
  let wrong = $state('');
  const yeasts = $derived(
    (bench.judgement?.analysis.lines ?? []).filter((l) =>
      l.functions.some((f) => f === 'instant-yeast' || f === 'fresh-yeast')
    )
  );
  const yeast = $derived.by((): 'none' | 'instant' | 'dry' => {
    if (!yeasts.length) return 'none';
    const mixedIn = yeasts.some((l) => l.when === 'dry' && l.functions.includes('instant-yeast'));
    return mixedIn ? 'instant' : 'dry';
  });

  function read(text: string, fallback: number): number {
    const value = Number(text.replace(',', '.').replace('−', '-'));
    if (!text.trim() || !Number.isFinite(value)) return fallback;
    return unit === 'f' ? ((value - 32) * 5) / 9 : value;
  }

  loadOn(
    () => ({ content: bench.content, dough_c, room_c, tap_c, mixing, yeast }),
    async (asked) => {
      try {
        plan = (await ask(api.POST('/api/v1/water-temperatures', { body: asked }))).data;
        wrong = '';
      } catch (error) {
        wrong = wordsOf(error);
      }
    }
  );
</script>

<section aria-label="Water temperature">
  <h3>How warm?</h3>
  <p>
    For a dough at <input
      class="field num"
      aria-label="Wanted dough temperature"
      value={shown(dough_c)}
      onchange={(e) => (dough_c = read(e.currentTarget.value, dough_c))}
    />
    °{unit.toUpperCase()}, flour and room at
    <input
      class="field num"
      aria-label="Temperature of the flour"
      value={shown(room_c)}
      onchange={(e) => (room_c = read(e.currentTarget.value, room_c))}
    />, tap at
    <input
      class="field num"
      aria-label="Temperature of the tap water"
      value={shown(tap_c)}
      onchange={(e) => (tap_c = read(e.currentTarget.value, tap_c))}
    />, mixed by
    <select class="field" aria-label="Mixed by" bind:value={mixing}
      ><option value="machine">machine (3 K warmer)</option><option value="hand">hand (1 K warmer)</option
      ></select
    >:
    {#if plan}<b
        >water at {temperature(plan.water_c, unit)}{plan.ice_g > 0.5
          ? `, ${Math.round(plan.ice_g)} g of it as ice`
          : ''}</b
      >.{/if}
  </p>
  {#if wrong}<p class="held small" role="alert">{wrong}</p>{/if}
  {#each plan?.warnings ?? [] as warning (warning)}<p class="small close">{warning}</p>{/each}
</section>

<style>
  section {
    margin-top: 0.8rem;
    padding-top: 0.4rem;
    border-top: 1px solid var(--hairline);
  }

  p {
    line-height: 2.1;
  }

  .small {
    line-height: 1.4;
  }

  input.num {
    width: 3.4rem;
  }
</style>
