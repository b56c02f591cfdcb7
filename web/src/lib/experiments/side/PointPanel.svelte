<!-- The point on the map: what it is thought to come to, its column in grams, its sieves. -->
<script lang="ts">
  import MiniColumn from '../../blends/column/MiniColumn.svelte';
  import MiniSieves from '../../blends/propose/MiniSieves.svelte';
  import { kitchen } from '../../app/kitchen.svelte';
  import { figure, shortName } from '../../ui/format';
  import type { Experiment, Point } from '../types';

  const { experiment: e, point }: { experiment: Experiment; point: Point | null } = $props();
  const total = $derived(point?.parts.reduce((s, p) => s + p.mass_g, 0) ?? 0);
  const layers = $derived(
    point?.parts.map((p) => ({
      ingredient: p.ingredient,
      role: p.role,
      mix_pct: total ? (100 * p.mass_g) / total : 0
    })) ?? []
  );
  const lines = $derived(
    [...(point?.parts ?? [])].sort((a, b) => kitchen.roleOrder(b.role) - kitchen.roleOrder(a.role))
  );
  const sieves = $derived(point?.judgement.fit?.bands ?? []);
  const order = $derived(sieves.slice(0, 7).map((s) => s.band.metric));
</script>

{#if point}
  <div class="head">
    {#if point.mean !== null && point.se !== null}
      <p class="value num" data-value>{figure(point.mean, 1)} ± {figure(1.96 * point.se, 1)}</p>
      <p class="small soft">
        {e.response.label}, {e.response.unit}, at the point,<br />9 times in 10 · arrows move it 1 %, Shift 5
        %
      </p>
    {:else}
      <p class="small soft">The point: arrows move it 1 % of flour, Shift 5 %. Two bakes make a map.</p>
    {/if}
  </div>
  {#if !point.inside}<p class="small outside">Outside the limits: it cannot be planned.</p>{/if}
  <div class="mix">
    <MiniColumn {layers} height={260} width={54} />
    <table class="small">
      <thead><tr><td></td><th class="num">g</th><th class="num">% flour</th></tr></thead>
      <tbody>
        {#each lines as p (p.ingredient)}
          <tr class:varied={p.varied}
            ><td>{shortName(p.name).toLowerCase()}</td><td class="num">{figure(p.mass_g, 0)}</td><td
              class="num">{p.flour_pct === null ? '' : figure(p.flour_pct, 0)}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    <div class="sieves small">
      {#each order as name (name)}
        {@const s = sieves.find((b) => b.band.metric === name)}
        <p>
          <span>{kitchen.metric(name).label}</span>
          <b class="num">{figure(s?.estimate.typical ?? null, kitchen.metric(name).decimals)}</b>
          <MiniSieves {sieves} order={[name]} width={120} />
        </p>
      {/each}
    </div>
  </div>
{/if}

<style>
  .head {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1.4rem;
    align-items: center;
  }

  .value {
    margin: 0;
    font-size: 2.1rem;
    font-weight: 600;
    color: var(--flax);
    white-space: nowrap;
  }

  p {
    margin: 0;
  }

  .outside {
    color: var(--held);
  }

  .mix {
    display: grid;
    grid-template-columns: 54px minmax(11rem, 1fr) minmax(9rem, 11rem);
    gap: 1.2rem;
    align-items: start;
    margin-top: 0.8rem;
  }

  th {
    color: var(--soft);
    font-weight: 400;
    text-align: right;
  }

  td {
    padding: 0.16rem 0;
    color: var(--soft);
  }

  td.num {
    text-align: right;
    padding-left: 0.8rem;
  }

  .varied td {
    color: var(--ink);
    font-weight: 600;
  }

  .sieves p {
    display: grid;
    grid-template-columns: 1fr auto;
    margin-bottom: 0.25rem;
  }

  .sieves :global(ul) {
    grid-column: 1 / -1;
  }

  @media (max-width: 560px) {
    .mix {
      grid-template-columns: 40px 1fr;
    }

    .sieves {
      grid-column: 1 / -1;
    }
  }
</style>
