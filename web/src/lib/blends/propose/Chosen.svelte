<!-- The proposal under the pointer: what is in it, what it gives and gives up, what binds it, and what to do with it. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { blendFile, download } from './files';
  import { beside, type Binding, type Proposal } from './lines';
  import Near from './Near.svelte';
  import type { Proposing } from './propose.svelte';

  interface Props {
    search: Proposing;
    proposal: Proposal;
    ontake: (proposal: Proposal) => void;
  }
  const { search, proposal, ontake }: Props = $props();
  let more = $state.raw<Schemas['MorePrices'] | null>(null);
  let wrong = $state('');
  const flours = $derived(
    proposal.parts.filter((p) => p.in_flour_base).sort((a, b) => b.share_pct - a.share_pct)
  );
  const weak = $derived(
    proposal.bags.weakest ? kitchen.metric(proposal.bags.weakest).label.toLowerCase() : ''
  );
  const bound = $derived(proposal.binding.filter((b) => Math.abs(b.marginal) >= 0.0005).slice(0, 4));

  $effect(() => {
    void proposal;
    more = null;
    wrong = '';
  });

  function unitOf(b: Binding): string {
    if (b.limit.startsWith('price')) return '1 per kg';
    const { unit } = kitchen.metric(b.limit);
    return unit ? `1 ${unit}` : '1 % of flour';
  }

  const shortly = (name: string): string => name.replace(/\s*\(.*\)/, '').toLowerCase();
  const signed = (v: number): string =>
    `${v < 0 ? '−' : '+'} ${figure(Math.abs(v), Math.abs(v) < 0.1 ? 3 : 2)}`;

  async function priceMore(): Promise<void> {
    try {
      const shares = Object.fromEntries(flours.map((p) => [p.ingredient, p.share_pct]));
      const body = { ...search.asked, aim: proposal.aim, shares };
      more = (await ask(api.POST('/api/v1/prices-of-more', { body }))).data;
    } catch (error) {
      wrong = wordsOf(error);
    }
  }
</script>

<section aria-label="The proposal looked at">
  <p class="does">
    <button class="action main" onclick={() => ontake(proposal)}
      >Take it as revision {search.bench.revisions.length + 1}</button
    >
    {#if !more}<button class="link" onclick={priceMore}>what would more cost?</button>{/if}
    <button
      class="link"
      onclick={() =>
        download(
          `${proposal.aim}.json`,
          blendFile(`${search.bench.head.name}, ${proposal.label}`, search.bench.use ?? null, proposal)
        )}>blend file</button
    >
  </p>
  <p class="mix">
    <b>{proposal.label[0]?.toUpperCase()}{proposal.label.slice(1)}</b>, fit {figure(proposal.score, 0)}:
    {flours
      .map((p) => `${figure(p.share_pct, Number.isInteger(p.share_pct) ? 0 : 1)} % ${shortly(p.name)}`)
      .join(', ')}.
  </p>
  {#if proposal.gives.length || proposal.gives_up.length}
    <p>
      {#if proposal.gives.length}<span class="passes word">Gives</span> {proposal.gives.join(', ')}.{/if}
      {#if proposal.gives_up.length}<span class="close word">Gives up</span>
        {proposal.gives_up.join(', ')}.{/if}
    </p>
  {/if}
  <p class="soft">
    Passes with {figure(proposal.bags.passes_pct, 0)} of 100 bags{weak ? `; weak point: ${weak}` : ''}.
    {proposal.gap > 1e-6
      ? `Stopped within ${figure(100 * proposal.gap, 2)} % of the best possible.`
      : proposal.not_looked_at
        ? beside(proposal)
        : 'Proven the best for its aim.'}
  </p>
  <Near {search} {proposal} {ontake} />
  {#if bound.length}
    <details>
      <summary>What holds it back</summary>
      <ul>
        {#each bound as b (b.limit + b.side)}
          <li>{b.say} <span class="soft num">{unitOf(b)} more of it: {signed(b.marginal)} {b.unit}</span></li>
        {/each}
      </ul>
    </details>
  {/if}
  {#if more}
    <ul aria-label="What more would cost">
      {#each more.prices as m (m.metric)}
        {@const metric = kitchen.metric(m.metric)}
        <li>
          One more {metric.unit.replace('g/100 g', 'g per 100 g')}
          {metric.label.toLowerCase()}: {signed(m.price)}
          {m.unit.split(' for ')[0]}, until {figure(m.until, 1)}.
        </li>
      {:else}
        <li>Nothing of it can be had with these bins.</li>
      {/each}
    </ul>
  {/if}
  {#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
</section>

<style>
  section {
    margin-top: 0.4rem;
    padding-top: 0.4rem;
    border-top: 1px solid var(--hairline);
    font-size: var(--small);
  }

  .word {
    font-weight: 600;
  }

  summary {
    min-height: 24px;
    color: var(--flax);
    cursor: pointer;
  }

  .does {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1.1rem;
    align-items: center;
    margin-bottom: 0.35rem;
  }
</style>
