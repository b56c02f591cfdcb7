<!-- What the judgement rests on, and the two tests that would make it surest, by name. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure, shortName } from '../../ui/format';

  const { rests }: { rests: Schemas['Rests'] } = $props();
  const PATHS: Record<string, string> = {
    water: 'test/water',
    sieve: 'test/sieve',
    card: 'test/card',
    label: 'label'
  };
  const WORDS: Record<string, string> = {
    water: 'Soak',
    sieve: 'Sieve',
    card: 'Photograph',
    label: 'Read the label of'
  };
</script>

<p class="small">
  By its weight in the fit {figure(rests.unsure_pct, 0)} % is neither measured nor from a label, and {figure(
    rests.taste_pct,
    0
  )} % is taste, which no test replaces.
</p>
{#if rests.tests.length}
  <p class="small">
    <b>Surest by two tests:</b>
    {#each rests.tests as t, n (t.ingredient + t.kind)}{n ? ', ' : ''}<a
        href="#/ingredients/{t.ingredient}/{PATHS[t.kind]}"
        >{WORDS[t.kind]} the {shortName(t.name).toLowerCase()}</a
      >{/each}: {figure(rests.unsure_pct, 0)} → {figure(rests.after_pct, 0)} %.
    <a href="#/method/rests-on">How</a>
  </p>
{/if}
