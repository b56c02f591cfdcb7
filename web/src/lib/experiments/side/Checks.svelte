<!-- The checks beside the map: least squares in full, what it misses, residuals drawn; nothing is picked by it. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Experiment } from '../types';

  const { experiment: e }: { experiment: Experiment } = $props();
  const models = $derived(Object.keys(e.fits));
  let chosen = $state('');
  const model = $derived(models.includes(chosen) ? chosen : (models.at(-1) ?? ''));
  const fit = $derived(e.fits[model] ?? null);
  const most = $derived(Math.max(1e-9, ...(fit?.residuals.map(Math.abs) ?? [0])));
  const range = $derived(fit ? [Math.min(...fit.fitted), Math.max(...fit.fitted)] : [0, 1]);
  const p = (v: number | null | undefined): string =>
    v === null || v === undefined ? 'not tested' : v < 0.001 ? 'under 0.001' : figure(v, 3);
</script>

{#if e.bands.length}
  <details class="small">
    <summary>What it says of the bands of the use</summary>
    <ul>
      {#each e.bands as band (band)}<li>{band}</li>{/each}
    </ul>
    <p class="soft">
      Where blends about as good as the best lie; only proposed, for this formula and these bakes. A brief
      takes it as a wish.
    </p>
  </details>
{/if}
<details class="small">
  <summary>Checks: least squares beside the map</summary>
  {#if fit}
    <label
      >Polynomial
      <select value={model} onchange={(event) => (chosen = event.currentTarget.value)}>
        {#each models as m (m)}<option value={m}>{m.replace('-', ' ')}</option>{/each}
      </select></label
    >
    <p>
      R² {figure(fit.r2, 2)}, adjusted {figure(fit.adjusted_r2, 2)}, predicted {figure(fit.predicted_r2, 2)};
      PRESS {figure(fit.press, 2)}; standard error of a bake {figure(fit.rmse, 2)}.
    </p>
    <div class="two">
      <table>
        <thead
          ><tr><th>term</th><th class="num">coefficient</th><th class="num">standard error</th></tr></thead
        >
        <tbody>
          {#each Object.entries(fit.coefficients) as [term, value] (term)}
            <tr
              ><td>{term.replaceAll('*', ' × ')}</td><td class="num">{figure(value, 2)}</td><td class="num"
                >{figure(fit.se[term] ?? null, 2)}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
      <table>
        <thead
          ><tr
            ><td></td><th class="num">sum of squares</th><th class="num">df</th><th class="num"
              >mean square</th
            ></tr
          ></thead
        >
        <tbody>
          {#each Object.entries(fit.anova) as [name, line] (name)}
            <tr
              ><td>{name}</td><td class="num">{figure(line.ss, 2)}</td><td class="num">{line.df}</td><td
                class="num">{figure(line.ms, 2)}</td
              ></tr
            >
          {/each}
          <tr
            ><td>lack of fit</td><td class="num">{figure(fit.lack_of_fit.ss, 2)}</td><td class="num"
              >{fit.lack_of_fit.df}</td
            ><td></td></tr
          >
          <tr
            ><td>pure error</td><td class="num">{figure(fit.lack_of_fit.pure_ss, 2)}</td><td class="num"
              >{fit.lack_of_fit.pure_df}</td
            ><td></td></tr
          >
        </tbody>
      </table>
    </div>
    <p>F {figure(fit.f, 2)}, p {p(fit.p)}; lack of fit p {p(fit.lack_of_fit.p)}.</p>
    <svg
      viewBox="0 0 300 120"
      width="300"
      height="120"
      role="img"
      aria-label="Residuals against fitted values"
    >
      <path d="M30 60H290" class="zero" />
      {#each fit.residuals as r, n (n)}
        <circle
          cx={40 + ((fit.fitted[n]! - range[0]!) / (range[1]! - range[0]! || 1)) * 240}
          cy={60 - (r / most) * 46}
          r="4"
        />
      {/each}
      <text x="30" y="116">fitted {figure(range[0] ?? null, 1)}</text><text x="290" y="116" text-anchor="end"
        >{figure(range[1] ?? null, 1)}</text
      >
      <text x="4" y="18">+{figure(most, 1)}</text><text x="4" y="108">−{figure(most, 1)}</text>
    </svg>
    <p class="soft">
      Residuals against fitted. The model is not picked by dropping terms; the map above is what decides.
    </p>
  {:else}
    <p>Too few bakes for least squares: a polynomial needs more points than terms.</p>
  {/if}
  <p>
    <a href="#/method/experiments">How it is worked out</a> ·
    <a href="/api/v1/experiments/{e.id}/export" download>Bakes as CSV</a>
  </p>
</details>

<style>
  summary {
    min-height: 36px;
    color: var(--flax);
    cursor: pointer;
  }

  .two {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 2rem;
  }

  th {
    color: var(--soft);
    font-weight: 400;
    text-align: left;
  }

  td,
  th {
    padding: 0.15rem 0.8rem 0.15rem 0;
  }

  .num {
    text-align: right;
  }

  .zero {
    stroke: var(--line);
  }

  circle {
    fill: var(--ink);
  }

  text {
    font-size: 11px;
    fill: var(--soft);
  }

  select {
    min-height: 34px;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }
</style>
