<!-- The stack of sieves: the state in one sentence, the limits of the brief, then what holds the mix first. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import Limits from './Limits.svelte';
  import { practice } from './practice.svelte';
  import Quiet from './Quiet.svelte';
  import Sieve from './Sieve.svelte';
  import Uses from './Uses.svelte';
  import { forUse } from '../../bands/layers';
  import type { Bench } from '../bench/bench.svelte';
  import Mend from '../propose/Mend.svelte';
  import type { Mending } from '../propose/mend.svelte';

  interface Props {
    bench: Bench;
    mending: Mending;
    onpropose: () => void;
  }
  const { bench, mending, onpropose }: Props = $props();
  const judgement = $derived(bench.judgement);
  let alone = $state<string | null>(null);
  const use = $derived(alone ?? judgement?.fit?.use ?? null);
  const mixClass = $derived(judgement?.fit?.mix_class ?? 'plain');
  const mixes = $derived(use ? practice.of(use, mixClass) : []);
  $effect(() => {
    if (use) void practice.load(use);
  });
  let open = $state<string | null>(null);
  const all = $derived(judgement?.fit?.bands ?? []);
  /** The sieves of all uses, or of the one that is looked at alone. */
  const sieves = $derived(
    alone && judgement?.fit?.each.some((u) => u.use === alone)
      ? all.flatMap((s) => forUse(s, alone!) ?? [])
      : all
  );
  const gritty = $derived(
    judgement?.analysis.gritty ? bench.nameOf(judgement.analysis.gritty).toLowerCase() : ''
  );
  /** Where a sieve holds it, the sieve itself offers to mend. */
  const canMend = $derived.by(() => {
    const sieves = all.map((s) => s.status);
    const limits = judgement?.limits.map((l) => l.status) ?? [];
    return !sieves.includes('held') && (sieves.includes('close') || limits.includes('held'));
  });
</script>

{#if judgement}
  <Limits limits={judgement.limits} />
  {#if judgement.fit?.each.length}<Uses {judgement} {alone} onalone={(u) => (alone = u)} />{/if}
  {#if mending.answer || mending.wrong}<Mend {mending} {onpropose} />{/if}
  {#if !mending.answer && canMend}
    <p class="small">
      <button class="link offer" onclick={() => mending.ask()}
        >Mend: the smallest change that lets it pass</button
      >
    </p>
  {/if}
  {#each sieves as sieve (sieve.band.metric)}
    <Sieve
      result={sieve}
      parts={bench.parts}
      {use}
      {mixes}
      most={sieve.band.metric === 'grit_index' ? gritty : ''}
      bags_pct={bench.bags?.sieves.find((b) => b.metric === sieve.band.metric)?.passes_pct ?? null}
      onmend={() => mending.ask()}
      open={open === sieve.band.metric}
      ontoggle={() => (open = open === sieve.band.metric ? null : sieve.band.metric)}
    />
  {/each}
  {#if !all.length}
    <p class="soft mt-2">Say what the mix is for, under its name, and its sieves stand here.</p>
  {:else}
    <p class="soft small mt-2">
      {#if bench.bags}Passes with {figure(bench.bags.passes_pct, 0)} of 100 bags{bench.bags.weakest
          ? `; weak point: ${kitchen.metric(bench.bags.weakest).label.toLowerCase()}`
          : ''}.{/if}
      Circle passes, diamond is close, square is held; the whisker is where the value lies 19 times in 20. Small
      ticks are mixes that people bake for this; a broken wall holds nothing. Bands are rules of thumb.
      <a href="#/method/fit">How fit is worked out</a>
    </p>
    <Quiet rows={judgement.quiet} {mixes} />
  {/if}
{:else}
  <p class="soft mt-2">
    An empty mix falls through nothing. Add a first flour, and each sieve shows what holds it.
  </p>
{/if}

<style>
  .offer {
    min-height: 24px;
    padding: 0.25rem 0;
  }
</style>
