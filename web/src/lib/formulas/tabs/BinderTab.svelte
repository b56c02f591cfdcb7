<!-- Binder: the load over blend and formula, what the school would add, another binder at the same load, small doses. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { figure, shortName } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { remembered } from '../../ui/state/remembered';
  import type { FormulaBench } from '../bench/formula.svelte';
  import { formulas } from '../reference.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const kept = remembered('fallow-sieve.scale-shows', { g: formulas.reference?.scale_shows_g ?? 1 });
  let reads_g = $state(kept.read().g);
  let dilutions = $state.raw<Schemas['SmallDose'][]>([]);
  let to = $state('');
  let converted = $state.raw<Schemas['Converted'] | null>(null);
  let wrong = $state('');
  const j = $derived(bench.judgement);
  const loose = $derived(
    bench.lines.map((l, n) => ({ l, n, f: bench.factsOf(n) })).filter(({ f }) => f?.role === 'binder')
  );
  const s = $derived(j?.suggestion);
  const doses = $derived(j?.binder.doses ?? []);
  const binders = $derived(formulas.reference?.binders ?? []);

  /** Adds what the school would: a binder begins at what the load lacks. */
  async function add(slug: string): Promise<void> {
    try {
      await bench.add({ slug });
    } catch (error) {
      wrong = wordsOf(error);
    }
  }

  loadOn(
    () => ({ content: bench.content, readability_g: reads_g }),
    async (body) => {
      try {
        dilutions = (await ask(api.POST('/api/v1/small-doses', { body }))).data.items;
        wrong = '';
      } catch (error) {
        wrong = wordsOf(error);
      }
    }
  );

  loadOn(
    () => ({ dose: doses[0], to, use: bench.content.use, flour: j?.analysis.flour_g ?? 0 }),
    async ({ dose, to: other, use, flour }) => {
      converted = null;
      if (!dose || !other || !use || !flour) return;
      const body = { use, mass_g: (dose.dose_pct * flour) / 100, from_binder: dose.binder, to_binder: other };
      try {
        converted = (await ask(api.POST('/api/v1/binder-conversions', { body }))).data;
      } catch (error) {
        wrong = wordsOf(error);
      }
    }
  );
</script>

{#if j}
  <h2>Load {j.binder.load === null ? 'cannot be told' : `${figure(j.binder.load, 2)} of the usual`}</h2>
  <p class:held={['none', 'double'].includes(j.binder.state)}>
    {j.binder.state === 'none'
      ? 'No binder at all, in the bag or here.'
      : j.binder.state === 'good'
        ? 'About the usual dose, bag and formula together.'
        : j.binder.say}
    <a class="small" href="#/method/binder">How is this worked out?</a>
  </p>
  {#if doses.length}
    <table class="lines">
      <thead
        ><tr
          ><th scope="col">binder</th><th scope="col" class="num">% of flour</th><th scope="col"
            >usual here</th
          ></tr
        ></thead
      >
      <tbody>
        {#each doses as d (d.binder)}
          <tr
            ><th scope="row"
              >{d.name}{loose.some(({ l }) => l.ingredient === d.binder) ? '' : ', in the bag'}</th
            ><td class="num">{figure(d.dose_pct, 2)}</td><td
              >{d.usual
                ? `${figure(d.usual.typical_pct, 1)} (${figure(d.usual.low_pct, 1)}–${figure(d.usual.high_pct, 1)})`
                : 'no rule'}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
  <p class="mt-2">
    <label>
      By the school:
      <select
        class="field"
        value={bench.content.school ?? ''}
        onchange={(e) =>
          bench.set({ school: (e.currentTarget.value || null) as typeof bench.content.school })}
      >
        <option value=""
          >the kitchen's ({formulas.reference?.schools.find((x) => x.name === kitchen.settings?.binder_school)
            ?.label})</option
        >
        {#each formulas.reference?.schools ?? [] as school (school.name)}<option value={school.name}
            >{school.label}</option
          >{/each}
      </select>
    </label>
  </p>
  {#if s}
    <p>
      {s.why}
      {#if s.binder}<button class="action" onclick={() => add(s.binder!)}
          >Add {figure(s.add_g, 1)} g {s.binder.replaceAll('-', ' ')}</button
        >
        <span class="soft small"
          >{figure(s.add_pct, 2)} % of flour{s.usual
            ? `, usual ${figure(s.usual.low_pct, 1)}–${figure(s.usual.high_pct, 1)}`
            : ''}; a rule of thumb</span
        >{/if}
    </p>
  {/if}
  {#if doses.length && bench.content.use}
    <p>
      <label
        >{figure((doses[0]!.dose_pct * j.analysis.flour_g) / 100, 1)} g {shortName(
          doses[0]!.name
        ).toLowerCase()} would be
        <select class="field" value={to} onchange={(e) => (to = e.currentTarget.value)}>
          <option value="">another binder …</option>
          {#each binders.filter((b) => b !== doses[0]!.binder) as b (b)}<option value={b}
              >{b.replaceAll('-', ' ')}</option
            >{/each}
        </select></label
      >
      {#if converted}<b>{figure(converted.mass_g, 1)} g</b>
        <span class="soft small"
          >({figure(converted.low_g, 1)}–{figure(converted.high_g, 1)} g, at the same load)</span
        >{/if}
    </p>
    {#each converted?.minds ?? [] as mind (mind)}<p class="small close">{mind}</p>{/each}
  {/if}
  {#each j.disperse as how (how)}<p class="small">{how}</p>{/each}
  <h3 class="mt-2">
    <label
      >Small doses, on a scale that shows <input
        class="field num short"
        inputmode="decimal"
        value={reads_g}
        onchange={(e) => {
          const v = Number(e.currentTarget.value.replace(',', '.'));
          if (v > 0) {
            reads_g = v;
            kept.keep({ g: v });
          } else e.currentTarget.value = String(reads_g);
        }}
      /> g</label
    >
  </h3>
  {#if wrong}<p class="held small" role="alert">{wrong}</p>{/if}
  {#each dilutions as { name, dilution } (name)}
    <div class="small dose">
      <p><b>{name}.</b> {dilution.say}</p>
      <ol>
        {#each dilution.premixes as mix, n (n)}<li>
            Whisk {figure(mix.of_g, 1)} g {n ? `of pre-mix ${n}` : shortName(name).toLowerCase()} with {figure(
              mix.flour_g,
              1
            )} g of the blend: pre-mix {n + 1}, 1 in {mix.one_in}.
          </li>{/each}
        {#if dilution.needed}<li>
            Take <b>{figure(dilution.take_g, 1)} g</b> of the last, and {figure(dilution.flour_g, 1)} g less of
            the blend. Label what is left.
          </li>{/if}
      </ol>
    </div>
  {:else}
    <p class="small soft">Every line can be weighed on it.</p>
  {/each}
{/if}

<style>
  .short {
    width: 4rem;
  }

  .dose {
    padding: 0.3rem 0;
    border-top: 1px solid var(--hairline);
  }

  ol {
    padding-left: 1.4rem;
    list-style: decimal;
  }

  h3 label {
    font-weight: 600;
  }
</style>
