<!-- Water: how the prediction comes about, the plan of pouring, what really went in, how warm it must be. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { counted, day, figure, mass, readMass, signed } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';
  import type { FormulaBench } from '../bench/formula.svelte';
  import Narrowing from './Narrowing.svelte';
  import WaterTemperature from './WaterTemperature.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  let bakes = $state.raw<Schemas['PoursOut'] | null>(null);
  let poured = $state('');
  let note = $state('');
  let wrong = $state('');
  let all = $state(false);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const j = $derived(bench.judgement);
  const p = $derived(j?.prediction);
  const w = $derived(j?.wanted);
  const path = $derived({ formula_id: bench.head.id });
  const steps = $derived(all ? (j?.pour ?? []) : (j?.pour ?? []).slice(0, 4));

  /** Water is poured in whole grams. */
  const whole = (g: number): string => mass(Math.round(g), unit);

  async function load(): Promise<void> {
    try {
      bakes = (await ask(api.GET('/api/v1/formulas/{formula_id}/bakes', { params: { path } }))).data;
    } catch (error) {
      wrong = wordsOf(error);
    }
  }

  async function record(event: Event): Promise<void> {
    event.preventDefault();
    const poured_g = readMass(poured, unit);
    if (poured_g === null) {
      wrong = `Give the water that went in, in ${unit}, over 0.`;
      return;
    }
    try {
      const body = { content: bench.content, poured_g, note };
      bakes = (await ask(api.POST('/api/v1/formulas/{formula_id}/bakes', { params: { path }, body }))).data;
      poured = note = wrong = '';
      bench.rejudge();
      notices.say('Recorded. The wanted water has learnt from it.');
    } catch (error) {
      wrong = wordsOf(error);
    }
  }

  async function setAside(bake_id: number, withdrawn: boolean): Promise<void> {
    const params = { path: { ...path, bake_id } };
    bakes = (
      await ask(api.PUT('/api/v1/formulas/{formula_id}/bakes/{bake_id}', { params, body: { withdrawn } }))
    ).data;
    bench.rejudge();
  }

  function pourWanted(): void {
    if (!w || !j) return;
    const other = j.analysis.water_g - bench.poured_g;
    bench.commit(bench.withWater(Math.round((w.typical_pct / 100) * j.analysis.flour_g - other)));
  }

  loadOn(() => bench.head.id, load);
</script>

{#if p && p.typical_pct !== null && w && j}
  <h2>
    Wanted: {figure(w.typical_pct, 0)} % of flour
    <span class="soft">({figure(w.low_pct, 0)}–{figure(w.high_pct, 0)})</span>
  </h2>
  <p class="small">
    {figure(p.base_pct, 0)} for {j.consistency}
    {kitchen.useName(bench.content.use).toLowerCase()}, {signed(p.thirst_pct ?? 0, 0)} for a thirst of
    {figure(p.thirst_g_per_g, 2)} g/g, {signed(p.binder_pct ?? 0, 0)} for the binder; × {figure(w.factor, 2)} by
    what bakes taught. A rule of thumb.
    <a href="#/method/water">How is this worked out?</a>
    <button class="link" onclick={pourWanted}>Set the water line to it</button>
  </p>
  <div class="two">
    <section aria-label="Hold-back plan">
      <h3>Pour in steps</h3>
      <ol class="small">
        {#each steps as s, n (n)}
          <li title={s.say}>
            <b class="num">{n ? '+' : ''}{whole(s.pour_g)}</b>
            <span class="num soft">{whole(s.poured_g)} in, {figure(s.total_pct, 0)} %</span>
            {#if n === 0}<span>{s.say}</span>{:else if n === 1}<span>and so on, until it feels right</span
              >{/if}
          </li>
        {/each}
      </ol>
      {#if (j.pour.length ?? 0) > 4}<button class="link small" onclick={() => (all = !all)}
          >{all ? 'fewer' : `all ${j.pour.length} steps, up to ${whole(j.pour.at(-1)!.poured_g)}`}</button
        >{/if}
      {#if bench.ahead_g > 0}<p class="small soft">
          Beside {whole(bench.ahead_g)} that is in a gel, soak or leaven already.
        </p>{/if}
      <form class="record" onsubmit={record}>
        <label for="poured">Poured in all, {unit}</label>
        <input
          id="poured"
          class="field num"
          data-mass={unit}
          inputmode="decimal"
          autocomplete="off"
          bind:value={poured}
          aria-invalid={wrong ? true : undefined}
          aria-describedby="poured-wrong"
        />
        <input
          class="field grow"
          aria-label="Note on the bake"
          placeholder="how it felt"
          maxlength="500"
          bind:value={note}
        />
        <button class="action main">Record the bake</button>
      </form>
      <p id="poured-wrong" class="held small" role="alert">{wrong}</p>
    </section>
    <section aria-label="What bakes taught">
      <h3>What bakes taught</h3>
      {#if bakes && bakes.steps.length > 1}
        <Narrowing steps={bakes.steps} />
      {:else}
        <p class="small soft">
          No bake yet. Write down what really went in, and the window narrows to your kitchen and flours.
        </p>
      {/if}
    </section>
  </div>
  {#if bakes?.items.length}
    <details class="small">
      <summary
        >{counted(bakes.items.length, 'bake')}, one by one; of this kitchen {bakes.learnt[0]?.bakes ?? 0}, of
        this kind {bakes.learnt[1]?.bakes ?? 0}, of this blend {bakes.learnt[2]?.bakes ?? 0}</summary
      >
      <table class="lines">
        <thead
          ><tr
            ><th scope="col">day</th><th scope="col" class="num">poured, {unit}</th><th
              scope="col"
              class="num">total, % of flour</th
            ><th scope="col" class="num">predicted, %</th><th scope="col">note</th><th scope="col"
              ><span class="sr-only">whether it counts</span></th
            ></tr
          ></thead
        >
        <tbody>
          {#each [...bakes.items].reverse() as b (b.id)}
            <tr class:aside={b.withdrawn}>
              <th scope="row">{day(b.baked_on)}</th><td class="num">{mass(b.poured_g, unit)}</td><td
                class="num">{figure(b.actual_pct, 1)}</td
              ><td class="num">{figure(b.predicted_pct, 1)}</td><td>{b.note}</td>
              <td
                ><button class="link" onclick={() => setAside(b.id, !b.withdrawn)}
                  >{b.withdrawn ? 'count it again' : 'set aside'}</button
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </details>
  {/if}
{:else}
  <p class="soft my-2">{p?.say || 'Choose a blend and a use first.'}</p>
{/if}
{#if bench.poured_g > 0}<WaterTemperature {bench} />{/if}

<style>
  h2 {
    margin-top: 0.2rem;
  }

  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem 1.5rem;
    margin-top: 0.5rem;
  }

  ol li {
    display: grid;
    grid-template-columns: 4.2rem 7.5rem 1fr;
    gap: 0 0.75rem;
    padding: 0.1rem 0;
  }

  ol li .soft {
    text-align: left;
  }

  .record {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.4rem;
    margin-top: 0.5rem;
  }

  .record .num {
    width: 5.5rem;
  }

  .grow {
    flex: 1;
    min-width: 7rem;
  }

  .aside {
    color: var(--soft);
    text-decoration: line-through;
  }

  @media (max-width: 1100px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
