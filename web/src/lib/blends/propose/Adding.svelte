<!-- Adds a wish: what kind, then which one where there are several. -->
<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';
  import type { BriefWishes } from './lines';
  import type { Proposing } from './propose.svelte';

  const { search }: { search: Proposing } = $props();
  const MARKS = ['egg', 'milk', 'tree-nuts', 'soya', 'lupin', 'buckwheat', 'maize', 'oats', 'legume'];
  const BAGS = ['flours', 'flours with binder', 'self-raising', 'complete'];
  const DIETS = ['vegan', 'grain-free', 'legume-free', 'nut-free'];
  const metrics = $derived((kitchen.reference?.metrics ?? []).filter((m) => m.banded));
  const flours = $derived(
    search.bench.parts.filter((p) => !['binder', 'other'].includes(search.bench.roleOf(p.ingredient)))
  );

  function add(event: Event): void {
    const select = event.currentTarget as HTMLSelectElement;
    const [kind = '', name = ''] = select.value.split('/');
    select.value = '';
    const w = search.wishes;
    if (w && kind) search.change(added(w, kind, name));
  }

  function shareOf(slug: string): number {
    const flour_g = flours.reduce((sum, p) => sum + p.mass_g, 0);
    const mass_g = flours.find((p) => p.ingredient === slug)?.mass_g ?? 0;
    return flour_g ? Math.round((1000 * mass_g) / flour_g) / 10 : 0;
  }

  function bandOf(metric: string): { good_low: number; good_high: number } {
    const band = search.bench.judgement?.fit?.bands.find((s) => s.band.metric === metric)?.band;
    return { good_low: band?.good_low ?? 0, good_high: band?.good_high ?? 0 };
  }

  function added(w: BriefWishes, kind: string, name: string): BriefWishes {
    const bands = (w.bands ?? []).filter((b) => b.metric !== name);
    const old = (w.bands ?? []).find((b) => b.metric === name) ?? { metric: name };
    switch (kind) {
      case 'least':
        return { ...w, bands: [...bands, { ...old, good_low: bandOf(name).good_low }] };
      case 'most':
        return { ...w, bands: [...bands, { ...old, good_high: bandOf(name).good_high }] };
      case 'mark':
        return { ...w, exclude_allergens: [...new Set([...(w.exclude_allergens ?? []), name])] };
      case 'diet':
        return { ...w, diets: [...new Set([...(w.diets ?? []), name])] };
      case 'apart':
        return { ...w, binder_apart: true };
      case 'exclude':
        return { ...w, exclude: [...new Set([...(w.exclude ?? []), name])] };
      case 'lock':
        return { ...w, lock: { ...w.lock, [name]: shareOf(name) } };
      case 'require':
        return { ...w, require: { ...w.require, [name]: { min_pct: 10, max_pct: 100 } } };
      case 'use_up':
        return { ...w, use_up: [...new Set([...(w.use_up ?? []), name])] };
      case 'max_bins':
        return { ...w, max_bins: Math.max(2, flours.length) };
      case 'price':
        return {
          ...w,
          price_cap_per_kg: Number((search.bench.judgement?.analysis.cost_per_kg.typical ?? 4).toFixed(2))
        };
      case 'bag':
        return { ...w, bag: name as BriefWishes['bag'] };
      case 'gum':
        return { ...w, max_gum_pct: 0.5 };
      case 'gluten':
        return { ...w, gluten_cap_mg_per_kg: 20 };
      case 'stock':
        return { ...w, in_stock: true, batch_g: Math.max(10, Math.round(search.bench.mass_g) || 1000) };
      default:
        return { ...w, robust: true };
    }
  }
</script>

<select class="field" aria-label="Add a wish" onchange={add}>
  <option value="">Add a wish …</option>
  <option value="max_bins">at most so many bins</option>
  <option value="price">at most a price per kg</option>
  <option value="gluten">a gluten budget</option>
  <option value="stock">only what is in stock</option>
  <option value="gum">at most so much gum</option>
  {#if search.wishes?.binder && Object.keys(search.wishes.binder).length}
    <option value="apart">the binder kept apart from the bag</option>
  {/if}
  <option value="robust">certain, also with another bag</option>
  <optgroup label="at least">
    {#each metrics as m (m.name)}<option value="least/{m.name}">at least … {m.label.toLowerCase()}</option
      >{/each}
  </optgroup>
  <optgroup label="at most">
    {#each metrics as m (m.name)}<option value="most/{m.name}">at most … {m.label.toLowerCase()}</option
      >{/each}
  </optgroup>
  <optgroup label="a bag of">
    {#each BAGS as bag (bag)}<option value="bag/{bag}">{bag}</option>{/each}
  </optgroup>
  <optgroup label="without">
    {#each DIETS as diet (diet)}<option value="diet/{diet}">{diet.replace('-', ' ')}</option>{/each}
    {#each MARKS as mark (mark)}<option value="mark/{mark}">without {mark.replace('-', ' ')}</option>{/each}
  </optgroup>
  {#if flours.length}
    <optgroup label="the flours on the bench">
      {#each flours as p (p.ingredient)}
        {@const name = search.bench.nameOf(p.ingredient).toLowerCase()}
        <option value="lock/{p.ingredient}">{name} as it is now</option>
        <option value="require/{p.ingredient}">at least some {name}</option>
        <option value="use_up/{p.ingredient}">using up {name}</option>
        <option value="exclude/{p.ingredient}">without {name}</option>
      {/each}
    </optgroup>
  {/if}
</select>

<style>
  select {
    width: 10rem;
    min-height: 30px;
  }

  @media (pointer: coarse) {
    select {
      min-height: 44px;
    }
  }
</style>
