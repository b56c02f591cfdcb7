<script lang="ts">
  import { onMount } from 'svelte';
  import Router from 'svelte-spa-router';
  import { wrap } from 'svelte-spa-router/wrap';
  import { wordsOf } from './lib/api/client';
  import { appearance } from './lib/app/appearance.svelte';
  import { isLooking, look } from './lib/begin/look';
  import Answer from './lib/app/Answer.svelte';
  import Find from './lib/app/Find.svelte';
  import TopBar from './lib/app/TopBar.svelte';
  import { undoing } from './lib/app/undo.svelte';
  import { kitchen } from './lib/app/kitchen.svelte';
  import { scale } from './lib/device/scale.svelte';
  import NotFound from './lib/app/NotFound.svelte';
  import Patterns from './lib/ui/Patterns.svelte';
  import Notices from './lib/ui/Notices.svelte';
  import Trouble from './lib/ui/Trouble.svelte';

  const routes = {
    '/': wrap({ asyncComponent: () => import('./lib/briefs/BriefsPage.svelte') }),
    '/begin': wrap({ asyncComponent: () => import('./lib/begin/BeginPage.svelte') }),
    '/briefs/:id': wrap({ asyncComponent: () => import('./lib/briefs/BriefPage.svelte') }),
    '/ingredients': wrap({ asyncComponent: () => import('./lib/ingredients/shelf/ShelfPage.svelte') }),
    '/ingredients/:slug': wrap({
      asyncComponent: () => import('./lib/ingredients/one/IngredientPage.svelte')
    }),
    '/ingredients/:slug/label': wrap({
      asyncComponent: () => import('./lib/ingredients/panel/LabelPage.svelte')
    }),
    '/ingredients/:slug/test/:kind': wrap({
      asyncComponent: () => import('./lib/ingredients/tests/TestPage.svelte')
    }),
    '/shelf/files': wrap({ asyncComponent: () => import('./lib/ingredients/files/FilesPage.svelte') }),
    '/side-by-side/:slugs': wrap({
      asyncComponent: () => import('./lib/ingredients/beside/SideBySidePage.svelte')
    }),
    '/scale': wrap({ asyncComponent: () => import('./lib/device/ScalePage.svelte') }),
    '/scale/check': wrap({ asyncComponent: () => import('./lib/ingredients/tests/TestPage.svelte') }),
    '/blends': wrap({ asyncComponent: () => import('./lib/blends/BlendsPage.svelte') }),
    '/blends/open': wrap({ asyncComponent: () => import('./lib/blends/bought/OpenBagPage.svelte') }),
    '/bench/:id': wrap({ asyncComponent: () => import('./lib/blends/bench/BenchPage.svelte') }),
    '/formulas': wrap({ asyncComponent: () => import('./lib/formulas/FormulasPage.svelte') }),
    '/formula/:id': wrap({ asyncComponent: () => import('./lib/formulas/bench/FormulaPage.svelte') }),
    '/card/:id': wrap({ asyncComponent: () => import('./lib/formulas/CardPage.svelte') }),
    '/schedules': wrap({ asyncComponent: () => import('./lib/schedule/SchedulesPage.svelte') }),
    '/schedule/:id': wrap({ asyncComponent: () => import('./lib/schedule/SchedulePage.svelte') }),
    '/plan/:id': wrap({ asyncComponent: () => import('./lib/schedule/PlanPage.svelte') }),
    '/now/:id': wrap({ asyncComponent: () => import('./lib/schedule/running/NowPage.svelte') }),
    '/starters': wrap({ asyncComponent: () => import('./lib/schedule/starters/StartersPage.svelte') }),
    '/day/:id': wrap({ asyncComponent: () => import('./lib/schedule/day/DaySheetPage.svelte') }),
    '/trials': wrap({ asyncComponent: () => import('./lib/trials/TrialsPage.svelte') }),
    '/trial/:id': wrap({ asyncComponent: () => import('./lib/trials/TrialPage.svelte') }),
    '/family/:id': wrap({ asyncComponent: () => import('./lib/trials/family/FamilyPage.svelte') }),
    '/last/:id': wrap({ asyncComponent: () => import('./lib/trials/last/LastPage.svelte') }),
    '/bake/:id': wrap({ asyncComponent: () => import('./lib/trials/BeginPage.svelte') }),
    '/tastings': wrap({ asyncComponent: () => import('./lib/tastings/TastingsPage.svelte') }),
    '/taste/:ids': wrap({ asyncComponent: () => import('./lib/tastings/BeginPage.svelte') }),
    '/tasting/:id': wrap({ asyncComponent: () => import('./lib/tastings/TastingPage.svelte') }),
    '/plating/:id': wrap({ asyncComponent: () => import('./lib/tastings/PlatingPage.svelte') }),
    '/pooled/:ids': wrap({ asyncComponent: () => import('./lib/tastings/PooledPage.svelte') }),
    '/experiments': wrap({ asyncComponent: () => import('./lib/experiments/ExperimentsPage.svelte') }),
    '/experiment/:id': wrap({ asyncComponent: () => import('./lib/experiments/ExperimentPage.svelte') }),
    '/batches': wrap({ asyncComponent: () => import('./lib/batches/BatchesPage.svelte') }),
    '/batch/:id': wrap({ asyncComponent: () => import('./lib/batches/BatchPage.svelte') }),
    '/weigh/:id': wrap({ asyncComponent: () => import('./lib/batches/weigh/WeighPage.svelte') }),
    '/label/:id': wrap({ asyncComponent: () => import('./lib/batches/label/LabelPage.svelte') }),
    '/trace/:kind/:id': wrap({ asyncComponent: () => import('./lib/batches/trace/TracePage.svelte') }),
    '/bins': wrap({ asyncComponent: () => import('./lib/batches/bins/BinsPage.svelte') }),
    '/weigh-sheet/:id': wrap({ asyncComponent: () => import('./lib/batches/weigh/PaperSheet.svelte') }),
    '/stock': wrap({ asyncComponent: () => import('./lib/batches/StockPage.svelte') }),
    '/recipe': wrap({ asyncComponent: () => import('./lib/recipes/RecipePage.svelte') }),
    '/compare/:id': wrap({ asyncComponent: () => import('./lib/blends/compare/ComparePage.svelte') }),
    '/print/:id': wrap({ asyncComponent: () => import('./lib/blends/print/PrintPage.svelte') }),
    '/method/:section?': wrap({ asyncComponent: () => import('./lib/method/MethodPage.svelte') }),
    '/settings': wrap({ asyncComponent: () => import('./lib/settings/SettingsPage.svelte') }),
    '*': NotFound
  };
  let finding = $state(false);
  let keys = $state(false);
  let trouble = $state('');
  let ready = $state(false);

  async function load(): Promise<void> {
    try {
      await kitchen.load();
      ready = true;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  function isTyping(target: EventTarget | null): boolean {
    const at = target as HTMLInputElement | null;
    return !!at?.matches?.('input, textarea, select') && at.dataset.cell === undefined;
  }

  function key(event: KeyboardEvent): void {
    const undo = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z';
    if (undo && undoing.on && !isTyping(event.target)) {
      event.preventDefault();
      if (event.shiftKey) undoing.on.redo();
      else undoing.on.undo();
    } else if (
      (event.ctrlKey || event.metaKey) &&
      event.key === 'y' &&
      undoing.on &&
      !isTyping(event.target)
    ) {
      event.preventDefault();
      undoing.on.redo();
    } else if (!event.ctrlKey && !event.metaKey && !event.altKey && !isTyping(event.target)) {
      if (event.key === '/') finding = true;
      else if (event.key === '?') keys = true;
      else return;
      event.preventDefault();
    }
  }

  onMount(() => {
    appearance.apply();
    void load();
    // No dialog is waited for later: what draws them comes once the page has what it needs.
    const soon = setTimeout(() => import('./lib/ui/Dialog.svelte').catch(() => undefined), 1000);
    return () => clearTimeout(soon);
  });
</script>

<svelte:window onkeydown={key} onfocusin={(e) => scale.aim(e.target)} />

<Patterns />
<div class="frame">
  {#if isLooking()}
    <aside class="looking" aria-label="The demo kitchen">
      A kitchen that is at work, all of it invented. What you do here stays here.
      <button class="action" onclick={() => look(false)}>Back to your own kitchen</button>
    </aside>
  {/if}
  <TopBar onsearch={() => (finding = true)} onkeys={() => (keys = true)} />
  <Answer />
  <main>
    {#if trouble}
      <Trouble say={trouble} again={load} />
    {:else if ready}
      <Router {routes} restoreScrollState />
    {/if}
  </main>
  {#if scale.open}{#await import('./lib/device/ScalePanel.svelte') then { default: Panel }}<Panel
      />{/await}{/if}
</div>
<Find open={finding} onclose={() => (finding = false)} />
{#if keys}{#await import('./lib/app/Keys.svelte') then { default: Keys }}
    <Keys open onclose={() => (keys = false)} />
  {/await}{/if}
<Notices />

<style>
  .frame {
    display: flex;
    flex-direction: column;
    height: 100%;
  }

  .looking {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 1rem;
    align-items: center;
    padding: 0.3rem 1.25rem;
    border-bottom: 1px solid var(--close);
    color: var(--close);
  }

  main {
    flex: 1;
    min-height: 0;
    overflow: auto;
  }

  @media print {
    .frame {
      display: block;
      height: auto;
    }

    main {
      overflow: visible;
    }
  }
</style>
