<!-- The parts that are varied, each between its limits; another of the blend's flours may join them. -->
<script lang="ts">
  import type { Set } from '../doing';
  import { numberIn as number } from '../typed';
  import { askedOf, type Asked, type Experiment, type Point } from '../types';

  interface Props {
    experiment: Experiment;
    point: Point | null;
    fixed: boolean;
    save: (make: (now: Set) => Set) => void;
  }
  const { experiment: e, point, fixed, save }: Props = $props();
  let adding = $state('');
  /** What else of the blend could be varied: its other flours and starches. */
  const others = $derived(point?.parts.filter((p) => p.flour_pct !== null && !p.varied) ?? []);

  function set(change: Partial<Asked>): void {
    save((now) => ({ ...now, asked: { ...now.asked, ...change } }));
  }

  function part(n: number, change: Partial<Asked['parts'][number]>): void {
    save((now) => ({
      ...now,
      asked: { ...now.asked, parts: now.asked.parts.map((p, i) => (i === n ? { ...p, ...change } : p)) }
    }));
  }

  function add(): void {
    const item = others.find((o) => o.ingredient === adding);
    if (!item) return;
    const about = Math.round(item.flour_pct ?? 0);
    const name = item.name.split(' (')[0]!.split(',')[0]!;
    const parts = [
      ...askedOf(e).parts,
      {
        name,
        ratio: { [item.ingredient]: 1 },
        low_pct: Math.max(0, about - 12),
        high_pct: Math.min(100, about + 12)
      }
    ];
    set({ parts });
    adding = '';
  }
</script>

<table class="small">
  <thead
    ><tr
      ><th>part</th><th class="num">today %</th><th class="num">least %</th><th class="num">most %</th><td
      ></td></tr
    ></thead
  >
  <tbody>
    {#each e.asked.parts as p, n (p.name)}
      <tr>
        <td
          >{p.name}{Object.keys(p.ratio).length > 1
            ? ` (${Object.keys(p.ratio).length} in a fixed ratio)`
            : ''}</td
        >
        <td class="num">{((e.today[n] ?? 0) * e.total_pct).toFixed(0)}</td>
        <td class="num"
          ><input
            type="number"
            min="0"
            max="100"
            step="0.5"
            aria-label="Least of {p.name}, % of flour"
            value={p.low_pct}
            onchange={(event) => part(n, { low_pct: number(event.currentTarget, p.low_pct) })}
          /></td
        >
        <td class="num"
          ><input
            type="number"
            min="0"
            max="100"
            step="0.5"
            aria-label="Most of {p.name}, % of flour"
            value={p.high_pct}
            onchange={(event) => part(n, { high_pct: number(event.currentTarget, p.high_pct) })}
          /></td
        >
        <td
          >{#if e.asked.parts.length > 2 && !fixed}<button
              class="link"
              onclick={() => set({ parts: askedOf(e).parts.filter((_, i) => i !== n) })}
              >as it is<span class="sr-only"> {p.name}</span></button
            >{/if}</td
        >
      </tr>
    {/each}
  </tbody>
</table>
{#if e.asked.parts.length < 4 && !fixed && others.length}
  <label class="small"
    >Vary another
    <select bind:value={adding} onchange={add}>
      <option value="">–</option>
      {#each others as o (o.ingredient)}<option value={o.ingredient}>{o.name}</option>{/each}
    </select></label
  >
{/if}

<style>
  th {
    text-align: left;
    color: var(--soft);
    font-weight: 400;
  }

  .num {
    text-align: right;
    padding-left: 0.7rem;
  }

  input,
  select {
    min-height: 34px;
    padding: 0 0.35rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }

  input {
    width: 5.2rem;
  }
</style>
