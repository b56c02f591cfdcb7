<!-- What is asked at the shelf, in that order: what, binder, use by and why, allergens, gluten, scoop. -->
<script lang="ts">
  import { day, figure } from '../../ui/format';
  import GlutenBar from './GlutenBar.svelte';
  import type { Batch } from '../types';

  const { batch, mix }: { batch: Batch; mix: NonNullable<Batch['mix']> } = $props();
</script>

<dl>
  <dt>Binder</dt>
  <dd class="binder" data-binder>{mix.binder}</dd>
  <dt>Best before</dt>
  <dd>
    {batch.best_before ? day(batch.best_before) : 'not known: no date is promised'}
    <span class="small soft">{batch.best_before_why}</span>
  </dd>
  <dt>Allergens</dt>
  <dd><b>{mix.allergens}</b></dd>
  <dt>Gluten</dt>
  <dd>
    {mix.gluten}
    {#if mix.budget.status !== 'contains'}<GlutenBar budget={mix.budget} />{/if}
  </dd>
  <dt>A scoop</dt>
  <dd>
    {#if mix.scoop_g}
      {mix.scoop_ml} mL hold {figure(mix.scoop_g.typical, 1)} g ({figure(mix.scoop_g.low, 1)} loose, {figure(
        mix.scoop_g.high,
        1
      )} packed)
    {:else}not known{/if}
  </dd>
  {#if mix.fit !== null}<dt>Fit</dt>
    <dd>{figure(mix.fit, 0)} for {batch.use_name.toLowerCase()}</dd>{/if}
</dl>
{#each mix.cautions as c, n (n)}<p class="small">{c}</p>{/each}
<p class="small soft"><a href="#/method/batches">How dates, yield and scoop are worked out</a></p>

<style>
  dl {
    display: grid;
    grid-template-columns: 7rem 1fr;
    gap: 0.25rem 0.75rem;
    margin: 0;
  }

  dt {
    color: var(--soft);
  }

  .binder {
    font-weight: 600;
    font-size: var(--lead);
  }

  p {
    margin: 0.4rem 0 0;
    max-width: 46rem;
  }

  @media (max-width: 480px) {
    dl {
      grid-template-columns: 1fr;
    }
  }
</style>
