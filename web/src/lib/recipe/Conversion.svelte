<!-- A recipe made over: changes with switches, and the two sides by stage. -->
<script lang="ts">
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Schemas } from '../api/client';
  import Gauges from '../formula/Gauges.svelte';
  import { figure } from '../format';
  import type { Recipe } from './recipe.svelte';

  const { recipe, over }: { recipe: Recipe; over: Schemas['ConvertOut'] } = $props();
  type SideLine = Schemas['SideLine'];
  interface Pair {
    key: string;
    name: string;
    before: SideLine | null;
    after: SideLine | null;
  }
  const pairs = $derived.by((): Pair[] => {
    const left = [...over.before.lines];
    const found: Pair[] = [];
    const wheat = left.filter((l) => /wheat/.test(l.ingredient));
    for (const after of over.after.lines) {
      const isBlend = after.ingredient === '@blend';
      const at = left.findIndex((l) =>
        isBlend ? wheat.includes(l) : l.ingredient === after.ingredient && l.stage === after.stage
      );
      const before = at >= 0 ? left.splice(at, 1)[0]! : null;
      const name = isBlend ? `${before?.name.split(',')[0] ?? 'flour'} → ${recipe.blend?.name}` : after.name;
      found.push({ key: `${after.ingredient}${after.stage}`, name, before, after });
    }
    for (const before of left)
      found.push({ key: `${before.ingredient}${before.stage}-`, name: before.name, before, after: null });
    return found;
  });
  const changed = (p: Pair): boolean => Math.abs((p.before?.mass_g ?? 0) - (p.after?.mass_g ?? 0)) > 0.05;
  const grams = (l: SideLine | null): string => (l ? figure(l.mass_g, l.mass_g < 10 ? 1 : 0) : '');
</script>

{#each over.poor as why (why)}
  <p class="poor" role="alert">
    <TriangleAlert size={18} aria-hidden="true" /> <span><b>A poor candidate.</b> {why}</span>
  </p>
{/each}
<h2>{over.after.say}</h2>
<ul class="changes" aria-label="Changes">
  {#each over.changes as c (c.key)}
    <li class:off={!c.on}>
      <label>
        <input type="checkbox" checked={c.on} onchange={() => recipe.toggle(c.key)} />
        <span><b>{c.say}</b> <span class="soft small">{c.reason}</span></span>
      </label>
      <span class="num size"
        >{c.size_g === null
          ? 'advice'
          : `${c.key !== 'flour' && c.size_g > 0 ? '+' : c.size_g < 0 ? '−' : ''}${figure(Math.abs(c.size_g), Math.abs(c.size_g) < 10 ? 1 : 0)} g`}</span
      >
    </li>
  {/each}
</ul>
<table class="lines">
  <thead
    ><tr
      ><th scope="col">side by side</th><th scope="col" class="num">wheat, g</th><th scope="col" class="num"
        >%</th
      ><th scope="col" class="num">made over, g</th><th scope="col" class="num">%</th></tr
    ></thead
  >
  <tbody>
    {#each pairs as p (p.key)}
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
