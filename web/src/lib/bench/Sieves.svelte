<!-- The stack of sieves: the state in one sentence, the limits of the brief, then what holds the mix first. -->
<script lang="ts">
  import Limits from '../sieves/Limits.svelte';
  import Sieve from '../sieves/Sieve.svelte';
  import type { Bench } from './bench.svelte';

  const { bench }: { bench: Bench } = $props();
  const judgement = $derived(bench.judgement);
  let open = $state<string | null>(null);
  const gritty = $derived(
    judgement?.analysis.gritty ? bench.nameOf(judgement.analysis.gritty).toLowerCase() : ''
  );
</script>

{#if judgement}
  <Limits limits={judgement.limits} />
  {#each judgement.sieves as sieve (sieve.band.metric)}
    <Sieve
      result={sieve}
      parts={bench.parts}
      most={sieve.band.metric === 'grit_index' ? gritty : ''}
      open={open === sieve.band.metric}
      ontoggle={() => (open = open === sieve.band.metric ? null : sieve.band.metric)}
    />
  {/each}
  {#if !judgement.sieves.length}
    <p class="soft mt-2">Say what the mix is for, under its name, and its sieves stand here.</p>
  {:else}
    <p class="soft small mt-2">
      Circle passes, diamond is close, square is held; the whisker is where the value lies 19 times in 20.
      Bands are rules of thumb. <a href="#/method/fit">How fit is worked out</a>
    </p>
  {/if}
{:else}
  <p class="soft mt-2">
    An empty mix falls through nothing. Add a first flour, and each sieve shows what holds it.
  </p>
{/if}
