<!-- What a portion is, as a sentence: so many grams, a share of a piece, or a piece; as usual for the use until said. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import type { FormulaBench } from '../bench/formula.svelte';

  const { bench, portion }: { bench: FormulaBench; portion: Schemas['Served'] } = $props();
  type Portion = NonNullable<Schemas['FormulaContentOut']['portion']>;
  const own = $derived(bench.content.portion);
  const kind = $derived(
    !own ? 'usual' : own.mass_g !== null ? 'mass' : own.shares !== null ? 'share' : 'piece'
  );
  const START: Record<string, Portion | null> = {
    usual: null,
    mass: { name: 'slice', mass_g: 40, shares: null },
    share: { name: 'slice', mass_g: null, shares: 8 },
    piece: { name: 'piece', mass_g: null, shares: null }
  };

  function choose(kind: string): void {
    bench.set({ portion: START[kind] });
  }

  function change(changes: Partial<Portion>): void {
    if (own) bench.set({ portion: { ...own, ...changes } });
  }

  function number(text: string): number | null {
    const value = Number(text.replace(',', '.'));
    return Number.isFinite(value) && value > 0 ? value : null;
  }
</script>

<p class="portion">
  A portion is
  <select
    class="field"
    aria-label="A portion is"
    value={kind}
    onchange={(e) => choose(e.currentTarget.value)}
  >
    <option value="usual">as usual here</option>
    <option value="mass">so many grams</option>
    <option value="share">a share of a piece</option>
    <option value="piece">a piece</option>
  </select>
  {#if own && kind === 'mass'}
    <input
      class="field num short"
      inputmode="decimal"
      aria-label="Grams of a portion"
      value={own.mass_g}
      onchange={(e) => change({ mass_g: number(e.currentTarget.value) ?? own.mass_g })}
    /> g,
  {:else if own && kind === 'share'}
    <span
      >one of <input
        class="field num short"
        inputmode="numeric"
        aria-label="Portions of a piece"
        value={own.shares}
        onchange={(e) => change({ shares: Math.round(number(e.currentTarget.value) ?? own.shares!) || 1 })}
      />,</span
    >
  {/if}
  {#if own}
    <label
      >called a <input
        class="field name"
        maxlength="40"
        value={own.name}
        onchange={(e) => change({ name: e.currentTarget.value.trim() || own.name })}
      /></label
    >
  {/if}
  <span class="soft"
    >a {portion.name} of {figure(portion.mass_g, 0)} g, {figure(
      portion.in_batch,
      portion.in_batch < 10 ? 1 : 0
    )} in the batch</span
  >
</p>

<style>
  .portion {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 0.5rem;
    align-items: center;
    margin: 0.4rem 0;
  }

  .short {
    width: 4.5rem;
  }

  .name {
    width: 7rem;
  }
</style>
