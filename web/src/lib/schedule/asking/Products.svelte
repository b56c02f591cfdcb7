<!-- What is asked: which formulas, how much, ready when. Typed over in place; all else is found. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { readNumber } from '../../ui/format';
  import AddProduct from './AddProduct.svelte';
  import { instantOf, localOf } from '../clock';
  import { schools } from './schools.svelte';
  import type { ScheduleBench } from '../schedule.svelte';
  import type { Product } from '../types';

  const { bench }: { bench: ScheduleBench } = $props();
  const useOf = (p: Product) => p.use ?? p.formula?.use ?? '';
  const grams = (p: Product) => p.dough_g ?? null;
  const OUTSIDE = ['filling', 'finish'];
  /** The dough that its formula gives as it is written, g. */
  const written = (p: Product) =>
    p.formula?.lines.reduce((sum, l) => sum + (OUTSIDE.includes(l.stage) ? 0 : l.mass_g), 0).toFixed(0) ??
    '900';

  function takeGrams(p: Product, input: HTMLInputElement): void {
    const text = input.value.trim();
    const value = text === '' ? null : readNumber(text);
    if (text !== '' && value === null) input.value = String(grams(p) ?? '');
    else bench.setProduct(p.id, { dough_g: value });
  }

  function takePieces(p: Product, input: HTMLInputElement): void {
    const pieces = Number(input.value);
    if (Number.isInteger(pieces) && pieces >= 1) bench.setProduct(p.id, { pieces });
    else input.value = String(p.pieces ?? p.formula?.pieces ?? 1);
  }

  $effect(() => void schools.load());
</script>

<ul class="products" aria-label="What is to be ready">
  {#each bench.content.products as p (p.id)}
    <li>
      <b>{p.id}</b>
      <label
        ><input
          class="num pieces"
          inputmode="numeric"
          aria-label="Pieces of {p.id}"
          value={p.pieces ?? p.formula?.pieces ?? 1}
          onchange={(e) => takePieces(p, e.currentTarget)}
        /> ×</label
      >
      <label
        ><input
          class="num grams"
          inputmode="decimal"
          aria-label="Dough of {p.id}, g"
          placeholder={written(p)}
          value={grams(p) ?? ''}
          onchange={(e) => takeGrams(p, e.currentTarget)}
        /> g,</label
      >
      {#if (schools.of(useOf(p))?.length ?? 0) > 1}
        <select
          aria-label="School of {p.id}"
          value={p.school ?? ''}
          onchange={(e) =>
            bench.setProduct(p.id, { school: e.currentTarget.value || null, pins: {}, switches: {} })}
        >
          {#each schools.of(useOf(p)) ?? [] as school, n (school)}
            <option value={n === 0 ? '' : school}>{school.replace('-', ' ')}</option>
          {/each}
        </select>
      {/if}
      {#if p.ready_at}
        <label
          >ready <input
            type="datetime-local"
            aria-label="{p.id} ready at"
            value={localOf(instantOf(p.ready_at, bench.zone), bench.zone)}
            onchange={(e) => bench.setProduct(p.id, { ready_at: e.currentTarget.value || null })}
          /></label
        >
      {:else}
        <span>as soon as may be</span>
      {/if}
      <button class="action quiet" aria-label="Take {p.id} out" onclick={() => bench.removeProduct(p.id)}>
        <X size={16} aria-hidden="true" />
      </button>
    </li>
  {/each}
  <li class="more"><AddProduct {bench} /></li>
</ul>

<style>
  .products {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1.5rem;
    margin-top: 0.15rem;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 0.45rem;
    min-height: 32px;
    font-size: var(--small);
  }

  input,
  select {
    border: 1px solid transparent;
    border-bottom-color: var(--line);
    background: transparent;
    padding: 0 0.2rem;
    min-height: 28px;
  }

  input:hover,
  select:hover {
    border-color: var(--line);
  }

  .pieces {
    width: 2.6rem;
  }

  .grams {
    width: 4.2rem;
  }

  option {
    background: var(--sheet);
    color: var(--ink);
  }
</style>
