<!-- The line at the foot: dough, pieces, loss, cost of a piece, what it contains; the first caution. -->
<script lang="ts">
  import { counted, mass, spaced } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import type { FormulaBench } from './formula.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const j = $derived(bench.judgement);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const NAMES = { fat_g: 'fat', sugars_g: 'sugars', salt_g: 'salt', protein_g: 'protein' };
  const totals = $derived(
    Object.entries(NAMES).map(([key, name]) => {
      const e = j?.analysis.totals_g[key];
      if (!e || e.typical === null) return `${name} unknown`;
      return `${name} ${e.high === null ? '≥ ' : ''}${mass(e.typical >= 10 ? Math.round(e.typical) : e.typical, unit)}`;
    })
  );
  const each = $derived(j ? j.analysis.mass_g / bench.content.pieces : 0);
  const gluten = $derived(
    j?.gluten.status === 'known'
      ? `${j.gluten.known_mg_per_kg.toFixed(1)} mg/kg by its tests`
      : j?.gluten.status === 'contains'
        ? 'contains gluten'
        : `unknown for ${counted(j?.gluten.unknown_parts.length ?? 0, 'part')}`
  );
</script>

<footer aria-label="The card line">
  {#if j}
    <dl>
      <div>
        <dt class="small soft">in all</dt>
        <dd><b>{mass(j.analysis.mass_g, unit)}</b></dd>
      </div>
      <div>
        <dt class="small soft">dough</dt>
        <dd><b>{mass(j.analysis.dough_g, unit)}</b></dd>
      </div>
      <div>
        <dt class="small soft">makes</dt>
        <dd><b>{bench.content.pieces} of {mass(each, unit)}</b> <span class="small soft">unbaked</span></dd>
      </div>
      <div>
        <dt class="small soft">bake loss</dt>
        <dd><b>{j.bake.bake_loss_pct === null ? 'not on record' : `about ${j.bake.bake_loss_pct} %`}</b></dd>
      </div>
      <div>
        <dt class="small soft">in the batch, of that</dt>
        <dd>{totals.join(' · ')}</dd>
      </div>
      <div class="wrap">
        <dt class="small soft">contains</dt>
        <dd><b>{j.allergens.map(spaced).join(', ') || 'no listed allergen on record'}</b></dd>
      </div>
      <div>
        <dt class="small soft">gluten estimate</dt>
        <dd><b>{gluten}</b></dd>
      </div>
    </dl>
    <p class="small soft text">{j.cautions[0]?.say ?? ''}</p>
  {:else}
    <p class="soft">What the batch makes stands here once there is something in it.</p>
  {/if}
</footer>

<style>
  footer {
    min-height: var(--bag);
    padding: 0.45rem 1.25rem;
    border-top: 1px solid var(--hairline);
    background: var(--ground);
  }

  dl {
    display: flex;
    flex-wrap: wrap;
    gap: 0.1rem 2rem;
  }

  .text {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  @media (max-width: 860px) {
    .text {
      white-space: normal;
    }
  }
</style>
