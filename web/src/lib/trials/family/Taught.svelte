<!-- What the bakes taught for the next one: each with n and of which level; bands that they speak for. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import { loadOn } from '../../ui/state/loading.svelte';

  const { formula_id }: { formula_id: number } = $props();
  let found = $state.raw<Schemas['TaughtOut'] | null>(null);
  const NAMES: Record<string, string> = {
    bake_loss: 'Bake loss',
    core_time: 'Minutes to the core',
    oven_offset: 'Oven against its dial',
    fermentation: 'Hours to rise',
    friction: 'Warmth of mixing',
    specific_volume: 'Volume',
    mixing_loss: 'What stays in the bowl'
  };

  async function load(formula: number): Promise<void> {
    const params = { path: { formula_id: formula } };
    found = (await ask(api.GET('/api/v1/formulas/{formula_id}/taught', { params }))).data;
  }

  loadOn(() => formula_id, load);
</script>

{#if found && (found.lessons.length || found.bands.length || found.bags.length)}
  <section aria-label="What the bakes taught">
    <h2>What the bakes taught</h2>
    <ul>
      {#each found.lessons as lesson (lesson.learner)}
        <li data-lesson={lesson.learner}><b>{NAMES[lesson.learner] ?? lesson.learner}</b> {lesson.say}</li>
      {/each}
      {#each found.bands as offer, n (n)}
        <li data-band={offer.proposal.metric}><b>A band</b> {offer.say}</li>
      {/each}
      {#each found.bags as bag (bag.ingredient)}
        <li data-bag={bag.ingredient}>
          <b>Another bag</b>
          {bag.say} <a href="#/ingredients/{bag.ingredient}/test/water">Test its water</a>
        </li>
      {/each}
    </ul>
    <p class="small soft">
      The next plan goes by it. Water is learnt on the formula's own page; bands are only proposed: set one in
      the brief if you agree. <a href="#/method/taught">How is this worked out?</a>
    </p>
  </section>
{/if}

<style>
  section {
    margin-top: 1.5rem;
  }

  h2 {
    margin: 0 0 0.25rem;
  }

  p {
    margin: 0.3rem 0 0;
  }
</style>
