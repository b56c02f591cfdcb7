<!-- Nutrition of the mix per 100 g, per quarter cup and per the kitchen's serving, with what is known of it. -->
<script lang="ts">
  import { api, ask, wordsOf, type Part, type Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';

  const { parts }: { parts: readonly Part[] } = $props();
  type Column = Schemas['NutritionColumn'];
  let columns = $state.raw<Column[]>([]);
  let trouble = $state('');
  const rows = $derived(
    (kitchen.reference?.nutrients ?? []).filter(
      (n) => !n.name.startsWith('energy_') || n.name === `energy_${kitchen.settings?.energy_unit}`
    )
  );

  async function load(now: readonly Part[]): Promise<void> {
    try {
      columns = (await ask(api.POST('/api/v1/nutrition', { body: { parts: [...now] } }))).data.columns;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => parts, load);

  function places(value: number, unit: string): number {
    if (unit === 'kJ' || unit === 'kcal') return 0;
    return Math.abs(value) < 1 ? 2 : Math.abs(value) < 100 ? 1 : 0;
  }

  function cell(column: Column, name: string, unit: string): string {
    const e = column.values?.nutrients[name];
    if (!e || e.typical === null) return '–';
    const text = figure(e.typical, places(e.typical, unit));
    return (column.known_mass_pct[name] ?? 0) < 99.999 ? `≥ ${text}` : text;
  }

  function range(name: string, unit: string): string {
    const e = columns[0]?.values?.nutrients[name];
    if (!e || e.low === null || e.high === null) return '';
    return `${figure(e.low, places(e.high, unit))}–${figure(e.high, places(e.high, unit))}`;
  }

  function known(name: string): string {
    const pct = columns[0]?.known_mass_pct[name] ?? 0;
    return pct > 99.999 ? '' : `${figure(pct, 0)} % of the mix known`;
  }

  function head(column: Column): string {
    const grams = column.values?.mass_g;
    return column.label === '100 g'
      ? column.label
      : `${column.label}, ${grams == null ? '?' : figure(grams, 0)} g`;
  }
</script>

{#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
{#if columns.length}
  <table class="lines">
    <caption class="sr-only">Nutrition of the dry mix</caption>
    <thead>
      <tr>
        <th scope="col">Nutrient</th>
        {#each columns as column (column.label)}<th scope="col" class="num">{head(column)}</th>{/each}
        <th scope="col" class="num">95 % range in 100 g</th>
        <th scope="col"><span class="sr-only">what is known</span></th>
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.name)}
        <tr>
          <th scope="row">{row.label} <span class="soft">{row.unit}</span></th>
          {#each columns as column (column.label)}
            <td class="num">{cell(column, row.name, row.unit)}</td>
          {/each}
          <td class="num soft">{range(row.name, row.unit)}</td>
          <td class="soft small">{known(row.name)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{:else if !trouble}
  <p class="soft">Adding up …</p>
{/if}

<style>
  table {
    font-size: 0.875rem;
  }
</style>
