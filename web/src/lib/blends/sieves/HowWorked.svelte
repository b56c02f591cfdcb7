<!-- How a number was worked out: each ingredient's own number, what it gives, and where it is from. -->
<script lang="ts">
  import { api, ask, wordsOf, type BandResult, type Part, type Schemas } from '../../api/client';
  import { day, figure, signed } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { inSight } from '../../ui/sight';
  import { loadOn } from '../../ui/state/loading.svelte';

  interface Props {
    parts: readonly Part[];
    metric: string;
    use?: string | null;
    band?: BandResult['band'] | null;
  }
  const { parts, metric, use = null, band = null }: Props = $props();
  const basis = $derived(band ? basisOf(band) : '');
  let found = $state.raw<Schemas['Explanation'] | null>(null);
  let trouble = $state('');
  const there = $derived(found !== null);
  const info = $derived(kitchen.metric(metric));
  const most = $derived(Math.max(1e-9, ...(found?.terms ?? []).map((t) => t.gives ?? 0)));

  async function load(now: readonly Part[]): Promise<void> {
    try {
      found = (await ask(api.POST('/api/v1/explain', { body: { parts: [...now], metric, use } }))).data;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => parts, load);

  /** Where the band is from, and what happens beyond it. */
  function basisOf(b: BandResult['band']): string {
    if (b.basis === 'this brief') return 'The band is this brief’s own.';
    const from = b.mixes
      ? `The band comes from ${b.mixes} mixes that people bake.`
      : `The band is a ${b.basis}.`;
    const beyond = b.why ? ` Beyond it: ${b.why.charAt(0).toLowerCase()}${b.why.slice(1)}.` : '';
    return from + (beyond || ' Nothing is known to fail beyond it, so it holds nothing.');
  }

  const grain = (step_g: number): number => Math.max(0, -Math.floor(Math.log10(step_g) + 1e-9));

  function own(term: Schemas['Term']): string {
    if (term.value === null) return 'unknown';
    const places = Math.max(1, info.decimals);
    const range = term.low !== term.high ? ` (${figure(term.low, places)}–${figure(term.high, places)})` : '';
    return `${figure(term.value, places)}${range}`;
  }
</script>

<div class="how" {@attach inSight(there)}>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  {#if found}
    <p>
      {found.formula}.
      {basis}
      <a href="#/method/{found.section}">The method</a>
    </p>
    <table class="lines">
      <thead>
        <tr>
          <th scope="col">Ingredient, and how it is known</th>
          <th scope="col" class="num">share, %</th>
          <th scope="col" class="num wide">its own{found.term_unit ? `, ${found.term_unit}` : ''}</th>
          <th scope="col" class="num">gives{info.unit ? `, ${info.unit}` : ''}</th>
          <th scope="col" class="wide"><span class="sr-only">how much of the whole</span></th>
          <th scope="col" class="num">a little more</th>
        </tr>
      </thead>
      <tbody>
        {#each found.terms as term (term.ingredient)}
          <tr>
            <th scope="row"
              >{term.name}<span class="soft source"
                ><span class="narrow">{own(term)},&nbsp;</span><b
                  class:own={term.quality === 'measured' || term.quality === 'label'}>{term.quality}</b
                >{term.lot_code ? ` of lot ${term.lot_code}` : ''}: {term.source}{term.noted_on
                  ? `, ${day(term.noted_on)}`
                  : ''}</span
              ></th
            >
            <td class="num">{figure(term.weight_pct, 1)}</td>
            <td class="num wide">{own(term)}</td>
            <td class="num">{term.gives === null ? '–' : figure(term.gives, Math.max(2, info.decimals))}</td>
            <td class="bar wide" aria-hidden="true"
              ><i style:width="{(100 * (term.gives ?? 0)) / most}%"></i></td
            >
            <td class="num"
              >{#if term.moves}{signed(term.moves.by, Math.max(2, info.decimals))}<span class="soft by"
                  >by {figure(term.moves.step_g, grain(term.moves.step_g))} g</span
                >{:else}–{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {:else if !trouble}
    <p class="soft">Working it out …</p>
  {/if}
</div>

<style>
  .how {
    padding: 0.25rem 0 0.75rem;
    font-size: var(--small);
  }

  table {
    margin-top: 0.4rem;
  }

  thead th {
    white-space: normal;
    vertical-align: bottom;
  }

  tbody > tr > * {
    vertical-align: top;
  }

  .bar {
    width: 4rem;
    min-width: 4rem;
    padding-top: 0.45rem;
  }

  .bar i {
    display: block;
    height: 8px;
    background: var(--flax);
    opacity: 0.6;
  }

  tbody th {
    font-weight: 600;
  }

  b {
    font-weight: 400;
  }

  b.own {
    color: var(--flax);
    font-weight: 600;
  }

  .by {
    display: block;
    white-space: nowrap;
  }

  .source {
    display: block;
    font-weight: 400;
    white-space: normal;
  }

  .narrow {
    display: none;
  }

  @media (max-width: 600px) {
    .wide {
      display: none;
    }

    .narrow {
      display: inline;
    }
  }
</style>
