<!-- The finished bake: per 100 g and a portion once water has left, what is known of it, and what a portion costs. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { figure, mass, money } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { remembered } from '../../ui/state/remembered';
  import type { FormulaBench } from '../bench/formula.svelte';

  import PortionField from './PortionField.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const kept = remembered('fallow-sieve.bought', { per_kg: 0 });
  let bought = $state(kept.read().per_kg);
  let loss = $state<number | null>(null);
  let found = $state.raw<Schemas['Finished'] | null>(null);
  let wrong = $state('');
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const currency = $derived(kitchen.settings?.currency ?? '');
  const energy = $derived(kitchen.settings?.energy_unit === 'kcal' ? 'energy_kcal' : 'energy_kj');
  const ROWS = [
    'fat_g',
    'saturated_fat_g',
    'carbohydrate_g',
    'sugars_g',
    'starch_g',
    'fibre_g',
    'protein_g',
    'salt_g',
    'water_g'
  ];
  const rows = $derived(
    [energy, ...ROWS].map((n) => kitchen.reference!.nutrients.find((x) => x.name === n)!)
  );

  loadOn(
    () => ({ content: bench.content, loss_pct: loss, bought_per_kg: bought || null }),
    async (asked) => {
      if (!asked.content.lines.length) return;
      try {
        found = (await ask(api.POST('/api/v1/finished-bakes', { body: asked }))).data;
        wrong = '';
      } catch (error) {
        wrong = wordsOf(error);
      }
    }
  );

  function value(e: Schemas['Estimate'] | undefined, decimals: number): string {
    if (!e || e.typical === null) return 'not known';
    return `${e.high === null ? '≥ ' : ''}${figure(e.typical, decimals)}`;
  }
  const range = (e: Schemas['Estimate'] | undefined, decimals: number): string =>
    !e || e.low === null || e.high === null ? '' : `${figure(e.low, decimals)}–${figure(e.high, decimals)}`;

  function read(text: string): number | null {
    const v = Number(text.replace(',', '.'));
    return text.trim() && Number.isFinite(v) && v >= 0 ? v : null;
  }
</script>

{#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
{#if found}
  <h2>{found.say}</h2>
  <p class="small">
    <label
      >Bake loss you measured <input
        class="field num short"
        inputmode="decimal"
        placeholder={String(bench.judgement?.bake.bake_loss_pct ?? '')}
        onchange={(e) => (loss = read(e.currentTarget.value))}
      /> %</label
    >
    <span class="soft"
      >Water leaves, the rest stays. <a href="#/method/finished">How is this worked out?</a></span
    >
  </p>
  <PortionField {bench} portion={found.portion} />
  <table class="lines">
    <thead
      ><tr
        ><th scope="col"><span class="sr-only">nutrient</span></th><th scope="col" class="num">per 100 g</th
        ><th scope="col" class="num">19 in 20</th><th scope="col" class="num"
          >a {found.portion.name} of {mass(found.portion.mass_g, unit)}</th
        ><th scope="col" class="num">known</th></tr
      ></thead
    >
    <tbody>
      {#each rows as n (n.name)}
        {@const e = found.per_100_g[n.name]}
        {@const d = n.name.startsWith('energy') ? 0 : n.name === 'salt_g' ? 2 : 1}
        <tr
          ><th scope="row">{n.label}, {n.unit}</th><td class="num"><b>{value(e, d)}</b></td><td
            class="num soft">{range(e, d)}</td
          ><td class="num">{value(found.per_portion[n.name], d)}</td><td class="num soft"
            >{figure(e?.known_mass_pct, 0)} %</td
          ></tr
        >
      {/each}
    </tbody>
  </table>
  <p class="mt-2">
    {#if found.cost_per_portion !== null}<b
        >{money(found.cost_per_portion, currency)} a {found.portion.name}</b
      >, {money(found.cost, currency)} the batch.
    {:else}What a {found.portion.name} costs is not known: no price for {found.unpriced.join(', ')}.{/if}
    <label
      >With a bought blend at <input
        class="field num short"
        inputmode="decimal"
        value={bought || ''}
        onchange={(e) => {
          bought = read(e.currentTarget.value) ?? 0;
          kept.keep({ per_kg: bought });
        }}
      /> per kg:</label
    >
    {#if found.bought_cost_per_portion !== null}<b
        >{money(found.bought_cost_per_portion, currency)} a {found.portion.name}</b
      >{:else if bought}a price is missing{:else}give its price{/if}.
  </p>
  <p class="small soft">
    A draft for the kitchen, not a label: defer to local food law and a competent person.
  </p>
{/if}

<style>
  .short {
    width: 4.5rem;
  }
</style>
