<!-- A recipe made over: changes with switches, and the two sides by stage. -->
<script lang="ts">
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Schemas } from '../api/client';
  import Gauges from '../bands/Gauges.svelte';
  import { figure } from '../ui/format';
  import type { Recipe } from './recipe.svelte';

  const { recipe, over }: { recipe: Recipe; over: Schemas['ConvertOut'] } = $props();
  type Pair = Schemas['Pairing'];
  /** How much of it: an amount that is put in place of another bears no sign. */
  function sizeOf({ what, size }: Schemas['Change']): string {
    if (size === null) return 'advice';
    const sign = size < 0 ? '−' : size > 0 && what !== 'flour' ? '+' : '';
    return `${sign}${figure(Math.abs(size), Math.abs(size) < 10 ? 1 : 0)} g`;
  }
  const changed = (p: Pair): boolean => Math.abs((p.before?.mass_g ?? 0) - (p.after?.mass_g ?? 0)) > 0.05;
  const grams = (l: Pair['before']): string => (l ? figure(l.mass_g, l.mass_g < 10 ? 1 : 0) : '');
</script>

{#each over.poor as why (why)}
  <p class="poor" role="alert">
    <TriangleAlert size={18} aria-hidden="true" /> <span><b>A poor candidate.</b> {why}</span>
  </p>
{/each}
<h2>{over.after.say}</h2>
{#each over.causes as why (why)}<p class="small">{why}</p>{/each}
<ul class="changes" aria-label="Changes">
  {#each over.changes as { change: c, say, on }, n (n)}
    <li class:off={!on}>
      <label>
        <input type="checkbox" checked={on} onchange={() => recipe.toggle(c.what)} />
        <span><b>{say}</b> <span class="soft small">{c.why}</span></span>
      </label>
      <span class="num size">{sizeOf(c)}</span>
    </li>
  {/each}
</ul>
<table class="lines">
  <thead
    ><tr
      ><th scope="col">side by side</th><th scope="col" class="num"
        >{over.own_mix ? 'as it was' : 'wheat'}, g</th
      ><th scope="col" class="num">%</th><th scope="col" class="num">made over, g</th><th
        scope="col"
        class="num">%</th
      ></tr
    ></thead
  >
  <tbody>
    {#each over.pairs as p, n (n)}
      <tr class:changed={changed(p)}>
        <th scope="row">{p.name}</th>
        <td class="num">{grams(p.before)}</td><td class="num soft">{figure(p.before?.flour_pct, 0)}</td>
        <td class="num">{grams(p.after)}</td><td class="num soft">{figure(p.after?.flour_pct, 0)}</td>
      </tr>
    {/each}
    <tr class="sum"
      ><th scope="row">Dough; water, % of flour</th><td class="num">{figure(over.before.dough_g, 0)}</td><td
        class="num">{figure(over.before.hydration_pct, 0)}</td
      ><td class="num">{figure(over.after.dough_g, 0)}</td><td class="num"
        >{figure(over.after.hydration_pct, 0)}</td
      ></tr
    >
  </tbody>
</table>
<Gauges gauges={over.after.gauges} />

<style>
  .poor {
    display: flex;
    gap: 0.5rem;
    margin: 0.3rem 0;
    padding: 0.45rem 0.6rem;
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }

  .poor :global(svg) {
    flex: none;
    color: var(--held);
  }

  .changes li {
    display: flex;
    align-items: baseline;
    gap: 0.75rem;
    padding: 0.22rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .changes label {
    display: flex;
    flex: 1;
    align-items: baseline;
    gap: 0.5rem;
    cursor: pointer;
  }

  .off b {
    font-weight: 400;
    text-decoration: line-through;
  }

  .size {
    min-width: 4.5rem;
    color: var(--soft);
  }

  table {
    margin: 0.6rem 0;
  }

  .changed th,
  .changed td {
    font-weight: 600;
  }

  .sum th,
  .sum td {
    border-top: 1px solid var(--ink);
  }
</style>
