<!-- How much is wanted: blanks for a tin (its shape drawn), pieces, flour or dough, and what is lost on the way. -->
<script lang="ts">
  import type { Scaling, Shape } from './scaling.svelte';
  import WishField from '../bench/WishField.svelte';

  const { scaling }: { scaling: Scaling } = $props();
  const w = $derived(scaling.wish);
  const fill = $derived(Math.round(100 * (scaling.result?.tin?.fill ?? 0.55)));
  const SHAPES: [Shape, string][] = [
    ['box', 'M4 6L8 24H32L36 6Z'],
    ['round', 'M4 8a16 5 0 0 1 32 0l-2 14a14 4 0 0 1-28 0ZM4 8a16 5 0 0 0 32 0'],
    [
      'ring',
      'M4 8a16 5 0 0 1 32 0l-2 14a14 4 0 0 1-28 0ZM4 8a16 5 0 0 0 32 0M15 8a5 2 0 0 1 10 0a5 2 0 0 1-10 0'
    ],
    ['cups', 'M2 8h10l-2 14H4ZM15 8h10l-2 14h-6ZM28 8h10l-2 14h-6Z']
  ];
</script>

{#if w.way === 'flour'}
  <p class="blanks"><WishField {scaling} name="flour_g" before="Flour base" after="g" /></p>
{:else if w.way === 'dough'}
  <p class="blanks"><WishField {scaling} name="dough_g" before="Dough" after="g" /></p>
{:else if w.way === 'pieces'}
  <p class="blanks">
    <WishField {scaling} name="pieces" least={1} after="pieces of" />
    <WishField {scaling} name="piece_g" after="g" />
    <label>
      <input
        type="checkbox"
        checked={w.baked}
        onchange={(e) => (scaling.wish = { ...w, baked: e.currentTarget.checked })}
      /> weighed baked: add the bake loss
    </label>
  </p>
{:else}
  <div class="shapes" role="radiogroup" aria-label="Shape">
    {#each SHAPES as [shape, outline] (shape)}
      <label class:on={w.shape === shape}>
        <input
          class="sr-only"
          type="radio"
          name="shape"
          checked={w.shape === shape}
          onchange={() => (scaling.wish = { ...w, shape })}
        />
        <svg width="40" height="28" aria-hidden="true"><path d={outline} /></svg>
        {shape}
      </label>
    {/each}
    <select
      class="field"
      aria-label="Unit of length"
      value={w.inches ? 'in' : 'cm'}
      onchange={(e) => (scaling.wish = { ...w, inches: e.currentTarget.value === 'in' })}
      ><option>cm</option><option>in</option></select
    >
  </div>
  <p class="blanks">
    <WishField {scaling} name="length_cm" before={w.shape === 'box' ? 'Top' : 'Diameter'} />
    {#if w.shape === 'box'}<WishField {scaling} name="width_cm" before="×" />{/if}
    <WishField {scaling} name="height_cm" before="high" />
    {#if w.shape === 'ring'}<WishField {scaling} name="hole_cm" before="hole" />{/if}
    {#if w.shape === 'cups'}<WishField {scaling} name="count" least={1} before="cups" />{/if}
  </p>
  <p class="blanks">
    <WishField {scaling} name="base_length_cm" optional before="Base" />
    {#if w.shape === 'box'}<WishField {scaling} name="base_width_cm" optional before="×" />{/if}
    <span class="soft small">empty: straight sides</span>
  </p>
  <p class="blanks">
    <WishField {scaling} name="tins" least={1} after={w.tins > 1 ? 'such tins,' : 'such tin,'} />
    <WishField {scaling} name="fill_pct" least={1} optional otherwise={fill} before="filled to" after="%" />
  </p>
{/if}
<p class="blanks">
  <WishField {scaling} name="loss_pct" least={0} before="Left in the bowl" after="%" />
  <WishField {scaling} name="step_g" before="scale shows" after="g" />
</p>

<style>
  .shapes,
  .blanks {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.3rem 0.7rem;
    margin-top: 0.35rem;
  }

  .shapes label {
    display: flex;
    flex-direction: column;
    align-items: center;
    padding: 0.15rem 0.5rem;
    border: 1px solid transparent;
    cursor: pointer;
  }

  .shapes label.on {
    border-color: var(--flax);
    background: var(--flax-wash);
  }

  .shapes label:focus-within {
    outline: 2px solid var(--flax);
  }

  .shapes path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.6;
  }
</style>
