<!-- A sheet for paper: the mix to weigh, how it stands, what goes on the bag, and room for notes. -->
<script lang="ts">
  import { api, ask, wordsOf, type BriefSummary } from '../../api/client';
  import { bagItems } from '../bag/bag';
  import { loadSide, type Side } from '../compare/side';
  import MiniColumn from '../column/MiniColumn.svelte';
  import { day, figure, massFigure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { standing } from '../../bands/words';
  import { loadOn } from '../../ui/state/loading.svelte';
  import Trouble from '../../ui/Trouble.svelte';

  const { params }: { params: { id: string } } = $props();
  let side = $state.raw<Side | null>(null);
  let brief = $state.raw<BriefSummary | null>(null);
  let trouble = $state('');
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const analysis = $derived(side?.judgement.analysis);
  const byRole = $derived(
    [...(analysis?.parts ?? [])].sort((a, b) => kitchen.roleOrder(a.role) - kitchen.roleOrder(b.role))
  );
  const standsAt = $derived.by(() => {
    const based = side?.blend.draft.based_on;
    const kept = side?.blend.revisions.find((r) => r.number === based);
    if (!kept || !side) return 'a draft, not kept';
    const same = JSON.stringify(kept.content) === JSON.stringify(side.blend.draft.content);
    return same ? `revision ${based}, ${day(kept.kept_at)}` : `a draft on revision ${based}, not kept`;
  });

  async function load(id: string): Promise<void> {
    trouble = '';
    try {
      const found = await loadSide(Number(id), 0);
      const brief_id = found.blend.head.brief_id;
      if (brief_id)
        brief = (await ask(api.GET('/api/v1/briefs/{brief_id}', { params: { path: { brief_id } } }))).data;
      side = found;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => params.id, load);
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load(params.id)} />
{:else if side && analysis && kitchen.settings}
  {@const j = side.judgement}
  <div class="page paper">
    <p class="no-print mb-4 flex gap-2">
      <button class="action main" onclick={() => print()}>Print this sheet</button>
      <a class="action" href="#/bench/{side.blend.head.id}">To the bench</a>
    </p>
    <div class="title">
      <MiniColumn layers={analysis.parts} height={84} width={34} />
      <div>
        <h1>{side.blend.head.name}</h1>
        <p>{kitchen.useName(side.blend.draft.content.use)}{brief ? `, for ${brief.brief.name}` : ''}</p>
        <p class="soft">{standsAt} · {kitchen.settings.name} · printed {day(new Date().toISOString())}</p>
        <p><strong>{j.say}</strong> {j.say_more}</p>
      </div>
    </div>
    <div class="cols">
      <section>
        <h2>To weigh</h2>
        <table class="lines">
          <thead
            ><tr
              ><th scope="col">Ingredient</th><th scope="col" class="num">{unit}</th><th
                scope="col"
                class="num">% of flour</th
              ><th scope="col">lot</th><th scope="col">done</th></tr
            ></thead
          >
          <tbody>
            {#each byRole as part (part.ingredient)}
              <tr
                ><th scope="row">{part.name}{part.lot_code ? `, lot ${part.lot_code}` : ''}</th><td
                  class="num big">{massFigure(part.mass_g, unit)}</td
                ><td class="num">{figure(part.flour_pct, 1)}</td><td class="blank"></td><td><i></i></td></tr
              >
            {/each}
            <tr class="sum"
              ><th scope="row">Together</th><td class="num big">{massFigure(analysis.mass_g, unit)}</td><td
              ></td><td></td><td></td></tr
            >
          </tbody>
        </table>
        <p class="small">Binder: {j.binder.say}</p>
        <h2>On the bag</h2>
        <dl>
          {#each bagItems(j, kitchen.settings) as item (item.label)}<dt>{item.label}</dt>
            <dd>{item.say} <span class="soft">{item.also}</span></dd>{/each}
        </dl>
      </section>
      <section>
        <h2>How it stands</h2>
        <table class="lines">
          <tbody>
            {#each j.fit?.bands ?? [] as sieve (sieve.band.metric)}
              {@const m = kitchen.metric(sieve.band.metric)}
              <tr
                ><th scope="row">{m.label}</th><td class="num"
                  >{figure(sieve.estimate.typical, m.decimals)}</td
                ><td class="soft">{m.unit}</td><td>{standing(sieve, m.decimals)}</td></tr
              >
            {/each}
            {#each j.limits as limit (limit.limit)}<tr
                ><th scope="row">{limit.label}</th><td colspan="3">{limit.say}</td></tr
              >{/each}
          </tbody>
        </table>
        <h2>Cautions</h2>
        <ul>
          {#each j.cautions as caution (caution.kind)}<li>{caution.say}</li>{/each}
        </ul>
        <h2>Notes</h2>
        <div class="notes"></div>
      </section>
    </div>
  </div>
{/if}

<style>
  .title {
    display: flex;
    gap: 1.25rem;
  }

  .blank {
    min-width: 4.5rem;
  }

  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 0.2rem 1rem;
  }

  dt {
    color: var(--soft);
  }

  @media print {
    .paper {
      padding: 0;
    }
  }
</style>
