<!-- A bench test, step by step, one thing a screen. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import Result from './Result.svelte';
  import StepScreen from './StepScreen.svelte';
  import { type Kind } from './steps';
  import { BenchTest } from './test.svelte';

  const { params = {} }: { params?: { slug?: string; kind?: string } } = $props();
  const CUP_ML: Record<string, string> = { us: '236.6', metric: '250', imperial: '284.1' };
  const titles: Record<Kind, string> = {
    cup: 'Weigh a cup',
    water: 'See how much water it takes',
    sieve: 'Sieve it',
    card: 'See how light it is',
    scale: 'Check your scale'
  };
  let test = $state.raw<BenchTest | null>(null);
  let name = $state('');
  let lots = $state.raw<Schemas['LotFullOut'][]>([]);
  let trouble = $state('');
  const kind = $derived((params.kind && params.kind in titles ? params.kind : 'scale') as Kind);
  const home = $derived(params.slug ? `/ingredients/${params.slug}` : '/scale');

  async function load({ slug, kind }: { slug?: string; kind: Kind }): Promise<void> {
    trouble = '';
    try {
      if (slug) {
        const path = { slug };
        const [whole, all] = await Promise.all([
          ask(api.GET('/api/v1/ingredients/{slug}/whole', { params: { path } })),
          ask(api.GET('/api/v1/ingredients/{slug}/lots', { params: { path } }))
        ]);
        name = whole.data.name;
        lots = all.data.items.filter((l) => !l.archived);
      }
      const defaults: Record<string, string> =
        kind === 'cup' ? { cup_ml: CUP_ML[kitchen.settings?.cup ?? 'metric'] ?? '250' } : {};
      test = new BenchTest(kind, slug ?? null, defaults);
      if (test.at >= test.steps.length) await test.weigh();
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => ({ slug: params.slug, kind }), load);

  async function use(): Promise<void> {
    if (!test || !(await test.record())) return;
    notices.say(params.slug ? 'On record, and used from now on.' : 'On record.');
    await push(home);
  }

  function restart(): void {
    test?.forget();
    void load({ slug: params.slug, kind });
  }
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load({ slug: params.slug, kind })} />
{:else if test}
  {@const t = test}
  <div class="page">
    <div class="page-head">
      <h1>{titles[kind]}{name ? `: ${name}` : ''}</h1>
      <span class="soft">{t.step ? `${t.at + 1} of ${t.steps.length}` : 'the result'}</span>
      {#if t.begun}<button class="link small" onclick={restart}>Start over</button>{/if}
      <a class="action" href="#{home}">Leave it for now</a>
    </div>
    <progress max={t.steps.length} value={Math.min(t.at, t.steps.length)} aria-label="How far along"
    ></progress>

    <div class="screen">
      {#if params.slug && lots.length && (t.at === 0 || !t.step)}
        <p class="lot">
          <label for="lot">This is</label>
          <select
            id="lot"
            class="field"
            value={String(t.lot_id ?? '')}
            onchange={(e) => {
              t.lot_id = e.currentTarget.value ? Number(e.currentTarget.value) : null;
              t.keep();
            }}
          >
            <option value="">the flour in general, any lot</option>
            {#each lots as lot (lot.id)}<option value={String(lot.id)}>lot {lot.code}</option>{/each}
          </select>
        </p>
      {/if}
      {#if t.step}
        <StepScreen test={t} step={t.step} onnext={() => t.next()} />
      {:else if t.result}
        <Result result={t.result} />
        <p class="lot">
          <label for="note">Note</label>
          <input
            id="note"
            class="field grow"
            maxlength="500"
            placeholder="anything to remember"
            bind:value={t.note}
            oninput={() => t.keep()}
          />
        </p>
      {/if}
      {#if t.wrong}<p class="held" role="alert">{t.wrong}</p>{/if}
    </div>
    {#if kind === 'cup' && t.at > 1}
      <p class="soft small">Flour in the air: sift gently. Raw flour is not safe to taste.</p>
    {/if}

    <div class="feet">
      {#if t.at > 0}<button class="action big" onclick={() => t.back()}>Back</button>{/if}
      {#if t.step}
        <button class="action main big next" disabled={!t.ready} onclick={() => t.next()}>
          {t.step.kind === 'wait' ? 'Done waiting' : t.at + 1 === t.steps.length ? 'See the result' : 'Next'}
        </button>
      {:else if t.result}
        {#if kind === 'cup' || kind === 'water'}
          <button class="action big" onclick={() => t.again()}>Measure once more</button>
        {/if}
        <button class="action main big next" onclick={use}>
          {params.slug ? 'Use this from now on' : 'Put it on record'}
        </button>
      {/if}
    </div>
  </div>
{:else}
  <p class="page soft" role="status">Laying out the test …</p>
{/if}

<style>
  .page {
    display: flex;
    flex-direction: column;
    min-height: 100%;
    padding-bottom: 1.25rem;
  }

  h1 {
    flex: 1;
  }

  progress {
    width: 100%;
    height: 6px;
    margin-top: 0.5rem;
    appearance: none;
    background: var(--hairline);
  }

  progress::-webkit-progress-bar {
    background: var(--hairline);
  }

  progress::-webkit-progress-value {
    background: var(--flax);
  }

  progress::-moz-progress-bar {
    background: var(--flax);
  }

  .screen {
    flex: 1;
    padding: 1.25rem 0;
  }

  .lot {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    margin: 1rem 0;
  }

  .grow {
    flex: 1;
    max-width: 36rem;
  }

  .held {
    margin-top: 0.75rem;
  }

  .feet {
    display: flex;
    gap: 0.75rem;
  }

  .big {
    min-height: 64px;
    padding: 0 2rem;
    font-size: var(--lead);
  }

  .next {
    margin-left: auto;
  }

  @media (max-width: 640px) {
    .big {
      flex: 1;
      padding: 0 0.75rem;
    }
  }
</style>
