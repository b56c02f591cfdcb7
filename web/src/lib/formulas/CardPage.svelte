<!-- A card for paper: what to weigh, the steps, the bake, what is in a portion, cautions, and room for what really happened. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { serverOf } from '../document/server';
  import { BLEND, MOMENTS, type Content, type FormulaJudgement, type FormulaOut } from './types';
  import { day, figure, mass, massFigure } from '../ui/format';
  import { kitchen } from '../app/kitchen.svelte';
  import { loadOn } from '../ui/state/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';

  const { params }: { params: { id: string } } = $props();
  interface Paper {
    found: FormulaOut;
    judgement: FormulaJudgement;
    card: Schemas['Card'];
    finished: Schemas['Finished'];
  }
  let paper = $state.raw<Paper | null>(null);
  let trouble = $state('');
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const energy = $derived(kitchen.settings?.energy_unit === 'kcal' ? 'energy_kcal' : 'energy_kj');
  const rows = $derived(
    [energy, 'fat_g', 'carbohydrate_g', 'sugars_g', 'fibre_g', 'protein_g', 'salt_g'].map((n) =>
      kitchen.reference!.nutrients.find((x) => x.name === n)!
    )
  );

  async function load(id: string): Promise<void> {
    trouble = '';
    try {
      const path = { formula_id: Number(id) };
      const found = await serverOf<Content>('formulas').get(path.formula_id);
      const body = { content: found.draft.content };
      const [judgement, card, finished] = await Promise.all([
        ask(api.POST('/api/v1/formula-judgements', { body })),
        ask(api.GET('/api/v1/formulas/{formula_id}/card', { params: { path } })),
        ask(api.POST('/api/v1/finished-bakes', { body: { ...body, bought_per_kg: null, loss_pct: null } }))
      ]);
      paper = { found, judgement: judgement.data, card: card.data, finished: finished.data };
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => params.id, load);

  function nameOf(l: Schemas['LineFacts']): string {
    return l.ingredient === BLEND ? (paper?.found.draft.content.blend?.name ?? 'The blend') : l.name;
  }
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load(params.id)} />
{:else if paper && kitchen.settings}
  {@const { found, judgement: j, card, finished } = paper}
  {@const blend = found.draft.content.blend}
  <div class="page paper">
    <p class="no-print mb-4 flex gap-2">
      <button class="action main" onclick={() => print()}>Print this card</button>
      <a class="action" href="#/formula/{found.head.id}">To the bench</a>
    </p>
    <h1>{found.head.name}</h1>
    <p class="soft">
      {kitchen.useName(found.draft.content.use)}{blend
        ? ` on ${blend.name}${blend.revision ? `, revision ${blend.revision}` : ''}`
        : ''} · {kitchen.settings.name} · printed {day(new Date().toISOString())}
    </p>
    <p><strong>{j.say}</strong> {j.say_more}</p>
    <div class="cols">
      <section>
        <h2>To weigh</h2>
        <table class="lines">
          <thead
            ><tr
              ><th scope="col">stage</th><th scope="col">ingredient</th><th scope="col" class="num">{unit}</th
              ><th scope="col" class="num">% of flour</th><th scope="col">done</th></tr
            ></thead
          >
          <tbody>
            {#each j.analysis.lines as l (l.index)}
              <tr
                ><td class="soft">{MOMENTS[l.when]}</td><th scope="row">{nameOf(l)}</th><td class="num big"
                  >{massFigure(l.mass_g, unit)}</td
                ><td class="num">{figure(l.flour_pct, 1)}</td><td><i></i></td></tr
              >
            {/each}
            <tr class="sum"
              ><td></td><th scope="row">Together</th><td class="num big"
                >{massFigure(j.analysis.mass_g, unit)}</td
              ><td></td><td></td></tr
            >
          </tbody>
        </table>
        <h2>In a {finished.portion.name} of {mass(finished.portion.mass_g, unit)}</h2>
        <table class="lines">
          <tbody>
            {#each rows as n (n.name)}
              {@const e = finished.per_portion[n.name]}
              <tr
                ><th scope="row">{n.label}</th><td class="num"
                  >{e?.typical === null
                    ? 'not known'
                    : `${e?.high === null ? '≥ ' : ''}${figure(e?.typical, n.name.startsWith('energy') ? 0 : 1)}`}</td
                ><td>{n.unit}</td></tr
              >
            {/each}
          </tbody>
        </table>
        <p class="small">{finished.say}</p>
        <h2>What really happened</h2>
        <p class="small">
          Water poured in all: ________ {unit} · dough: ____ ° · core: ____ ° · weight after baking: ________
        </p>
        <div class="notes"></div>
      </section>
      <section>
        <h2>Steps</h2>
        <ol>
          {#each card.steps as step (step)}<li>{step}</li>{/each}
        </ol>
        {#if found.draft.content.method}<h2>Method</h2>
          <p class="method">{found.draft.content.method}</p>{/if}
        {#if j.warnings.length}<h2>To look at</h2>
          <ul>
            {#each j.warnings as w, n (n)}<li>{w}</li>{/each}
          </ul>{/if}
        <h2>Cautions</h2>
        <ul>
          {#each card.cautions as c, n (n)}<li>{c}</li>{/each}
        </ul>
      </section>
    </div>
  </div>
{/if}

<style>
  ol {
    padding-left: 1.3rem;
    list-style: decimal;
  }

  .method {
    white-space: pre-line;
  }

  @media print {
    .paper {
      padding: 0;
      font-size: 0.8125rem;
      line-height: 1.3;
    }
  }
</style>
