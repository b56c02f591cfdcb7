<!-- Two blends side by side: columns, what changed, and both marks on every sieve. -->
<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { api, ask, wordsOf, type BlendSummary } from '../../api/client';
  import Changes from './Changes.svelte';
  import { kitchen } from '../../app/kitchen.svelte';
  import BandLine from '../../bands/BandLine.svelte';
  import { figure, money, signed } from '../../ui/format';
  import { STATUS_CLASS, STATUS_WORDS } from '../../bands/words';
  import Picker from './Picker.svelte';
  import { label, loadSide, type Side } from './side';
  import TwoColumns from './TwoColumns.svelte';

  const { params }: { params: { id: string } } = $props();
  let blends = $state.raw<BlendSummary[]>([]);
  let left = $state.raw<Side | null>(null);
  let right = $state.raw<Side | null>(null);
  let from = $state({ blend_id: 0, revision: 0 });
  let to = $state({ blend_id: 0, revision: 0 });
  let trouble = $state('');
  let alive = true;

  async function show(): Promise<void> {
    trouble = '';
    try {
      const now = await loadSide(to.blend_id, to.revision);
      const was = await loadSide(from.blend_id, from.revision, now.blend);
      if (!alive) return;
      left = was;
      right = now;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  /** The blend of the address against its newest other revision, or else against another blend. */
  async function begin(): Promise<void> {
    try {
      const { data } = await ask(api.GET('/api/v1/blends', { params: { query: { limit: 100 } } }));
      blends = data.items.filter((b) => b.standing.state !== 'empty');
      const id = Number(params.id);
      const mine = await loadSide(id, 0);
      const drafted = mine.blend.draft.based_on ?? 0;
      const kept = blends.find((b) => b.head.id === id)?.standing.kept;
      const revision = kept ? drafted - 1 : drafted;
      const other = blends.find((b) => b.head.id !== id && b.head.brief_id === mine.blend.head.brief_id);
      to = { blend_id: id, revision: 0 };
      from =
        revision > 0 || !other
          ? { blend_id: id, revision: Math.max(revision, 0) }
          : { blend_id: other.head.id, revision: 0 };
      await show();
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  onMount(begin);
  onDestroy(() => {
    alive = false;
  });

  const currency = $derived(kitchen.settings?.currency ?? '');
  const rows = $derived(
    (right?.judgement.fit?.bands ?? []).map((now) => ({
      now,
      was: left?.judgement.fit?.bands.find((s) => s.band.metric === now.band.metric) ?? null,
      info: kitchen.metric(now.band.metric)
    }))
  );
</script>

<div class="page">
  <h1>Compare two blends</h1>
  <div class="picks">
    <Picker
      label="Left"
      {blends}
      chosen={from}
      blend={left?.blend}
      onpick={(blend_id, revision) => {
        from = { blend_id, revision };
        void show();
      }}
    />
    <span class="soft">with</span>
    <Picker
      label="Right"
      {blends}
      chosen={to}
      blend={right?.blend}
      onpick={(blend_id, revision) => {
        to = { blend_id, revision };
        void show();
      }}
    />
    <button
      class="action"
      onclick={() => {
        [from, to] = [to, from];
        void show();
      }}>Swap sides</button
    >
    <a class="action" href="#/bench/{to.blend_id}">To the bench</a>
  </div>
  {#if trouble}<p class="held my-3" role="alert">{trouble}</p>{/if}
  {#if left && right}
    <div class="two">
      <section>
        <div class="names"><b>{label(left)}</b><b>{label(right)}</b></div>
        <TwoColumns left={left.judgement.analysis} right={right.judgement.analysis} />
        <h2>What changed</h2>
        <Changes before={left.parts} after={right.parts} />
      </section>
      <section>
        <p>
          <b>Left:</b>
          {left.judgement.say}
          <span class="soft">{money(left.judgement.analysis.cost_per_kg.typical, currency)} per kg</span>
        </p>
        <p>
          <b>Right:</b>
          {right.judgement.say}
          <span class="soft">{money(right.judgement.analysis.cost_per_kg.typical, currency)} per kg</span>
        </p>
        <p class="soft small my-2">
          Both judged for {kitchen.useName(right.blend.draft.content.use).toLowerCase()}. Ring: left; filled
          mark: right.
        </p>
        <table class="lines">
          <thead>
            <tr
              ><th scope="col">Sieve</th><th scope="col" class="scale"><span class="sr-only">scale</span></th
              ><th scope="col" class="num">left</th><th scope="col" class="num">right</th><th
                scope="col"
                class="num">change</th
              ><th scope="col">right</th></tr
            >
          </thead>
          <tbody>
            {#each rows as { now, was, info } (info.name)}
              <tr>
                <th scope="row">{info.label}<span class="soft small unit">{info.unit}</span></th>
                <td class="scale"
                  ><BandLine
                    band={now.band}
                    status={now.status}
                    value={now.estimate.typical}
                    low={now.estimate.low}
                    high={now.estimate.high}
                    possible={kitchen.metric(now.band.metric)}
                    other={was?.estimate.typical ?? null}
                    holds_low={now.band.holds_low}
                    holds_high={now.band.holds_high}
                  /></td
                >
                <td class="num">{figure(was?.estimate.typical, info.decimals)}</td>
                <td class="num">{figure(now.estimate.typical, info.decimals)}</td>
                <td class="num"
                  >{was?.estimate.typical != null && now.estimate.typical != null
                    ? signed(now.estimate.typical - was.estimate.typical, Math.max(1, info.decimals))
                    : '–'}</td
                >
                <td class="{STATUS_CLASS[now.status]} small">{STATUS_WORDS[now.status]}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </section>
    </div>
  {:else if !trouble}
    <p class="soft mt-3" role="status">Laying the two side by side …</p>
  {/if}
</div>

<style>
  .picks {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.6rem;
    margin: 0.75rem 0;
  }

  .two {
    display: grid;
    grid-template-columns: minmax(22rem, 5fr) 6fr;
    gap: 2rem;
  }

  .names {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    margin-bottom: 0.5rem;
  }

  .names b:last-child {
    text-align: right;
  }

  .unit {
    display: block;
  }

  .scale {
    width: 40%;
    min-width: 7rem;
  }

  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }

  /* On a phone the figures and words stay, the drawn scale goes. */
  @media (max-width: 600px) {
    .scale {
      display: none;
    }
  }
</style>
