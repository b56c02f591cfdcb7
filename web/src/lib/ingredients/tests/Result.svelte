<!-- What a bench test gives: the verdict first, then the number against the table, and how sure it is. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import Curve from './Curve.svelte';
  import RangeLine from './RangeLine.svelte';

  const { result }: { result: Schemas['BenchResultOut'] } = $props();
  const mean = $derived(result.cup?.mean ?? result.water?.mean);
  const marks: Record<string, string> = { same: '○', more: '▲', less: '▼', new: '○' };
</script>

<h2 class="verdict"><span aria-hidden="true">{marks[result.verdict]}</span> {result.say}</h2>
{#each result.warnings as warning (warning)}<p class="close" role="alert">{warning}</p>{/each}
{#each result.gives as given (given.field)}
  <RangeLine label={given.label} unit={given.unit} range={given.range} before={given.before} />
{/each}
{#if mean}
  <p class="small soft">
    Readings {mean.readings.map((r) => figure(r, 3)).join(', ')}; mean {figure(mean.mean, 3)} ± {figure(
      mean.half_width,
      3
    )}, which holds the truth 19 times in 20.
    {#if result.cup}
      Your next cup weighs {figure(result.cup.cup_g.low, 0)} to {figure(result.cup.cup_g.high, 0)} g, 19 times in
      20.
    {:else if result.water}
      The cloth held {figure(result.water.cloth_water_g, 0)} g of water of its own.
    {/if}
    <a href="#/method/bench-tests">The method</a>
  </p>
{/if}
{#if result.card}
  <p class="small soft">
    Spots {result.card.mean.readings.map((r) => figure(r, 1)).join(', ')}, mean {figure(
      result.card.mean.mean,
      1
    )} ± {figure(result.card.mean.half_width, 1)}. The range is wider: paper, light and camera leave 16 % of
    the light open, a rule of thumb. <a href="#/method/bench-tests">The method</a>
  </p>
{/if}
{#if result.sieve}
  <p>{result.sieve.say}</p>
  <Curve grading={result.sieve} />
  <p class="small soft">
    {#if result.sieve.fit}
      Rosin–Rammler: 36.8 % is coarser than {figure(result.sieve.fit.size_um, 0)} µm, spread {figure(
        result.sieve.fit.spread,
        2
      )} (r² {figure(result.sieve.fit.r_squared, 3)}).
    {/if}
    {result.sieve.loss_pct >= 0
      ? `${figure(result.sieve.loss_pct, 1)} % was lost on the way.`
      : `${figure(-result.sieve.loss_pct, 1)} % more came out than went in.`}
    <a href="#/method/sieving">The method</a>
  </p>
{/if}
{#if result.scale}
  <dl>
    <dt>Steps</dt>
    <dd>{result.scale.readability_g} g</dd>
    <dt>Repeats within (standard deviation)</dt>
    <dd>{figure(result.scale.repeatability_g, 3)} g</dd>
    <dt>Smallest dose to 5 %</dt>
    <dd>{figure(result.scale.smallest_dose_g, 1)} g</dd>
  </dl>
{/if}

<style>
  .verdict {
    max-width: 60rem;
    margin-bottom: 1rem;
    font-size: 1.75rem;
    line-height: 1.2;
  }

  p {
    margin-top: 0.75rem;
  }

  dl {
    display: grid;
    grid-template-columns: max-content max-content;
    gap: 0.25rem 1.5rem;
  }

  dd {
    text-align: right;
  }
</style>
