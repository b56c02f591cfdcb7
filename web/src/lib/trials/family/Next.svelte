<!-- What to bake next: at most three, each with its worth in steps of the verdict; and what is owed without a bake. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import { loadOn } from '../../ui/state/loading.svelte';

  const { formula_id }: { formula_id: number } = $props();
  let found = $state.raw<Schemas['NextBakes'] | null>(null);
  const W = 90;
  const most = $derived(Math.max(1, ...(found?.items ?? []).map((i) => i.worth)));

  async function load(formula: number): Promise<void> {
    found = (await ask(api.GET('/api/v1/next', { params: { query: { formula } } }))).data;
  }

  loadOn(() => formula_id, load);
</script>

{#if found && (found.items.length || found.debts.length || found.taste.length)}
  <section aria-label="Next">
    <h2>Next</h2>
    <ol>
      {#each found.items as item, n (n)}
        <li data-next={item.kind}>
          <svg width={W} height="10" aria-hidden="true"
            ><rect width={(W * item.worth) / most} height="10" /></svg
          >
          <span class="num">{figure(item.worth, 2)}</span>
          {#if item.trial_id}<a href="#/trial/{item.trial_id}">{item.say}</a>{:else}{item.say}{/if}
        </li>
      {/each}
      {#each found.debts as debt (debt.trial_id)}
        <li data-next="debt">
          <span class="owed small">owed</span><span></span>
          <a href="/sheet/{debt.trial_id}/?at=day" target="_blank" rel="noreferrer">{debt.name}: {debt.say}</a
          >
        </li>
      {/each}
    </ol>
    {#if found.taste.length}
      <p class="taste" data-next="taste">
        Three mixes, and no bake says which is best.
        <a class="action" href="#/taste/{found.taste.join(',')}">Taste these</a>
      </p>
    {/if}
    <p class="small soft">
      Worth in steps of the verdict, a rule of thumb. <a href="#/method/next">How is this worked out?</a>
    </p>
  </section>
{/if}

<style>
  section {
    margin: 0.75rem 0 0;
    padding: 0.6rem 0.9rem;
    background: var(--sheet);
    border: 1px solid var(--hairline);
  }

  h2 {
    margin: 0 0 0.25rem;
  }

  li {
    display: grid;
    grid-template-columns: 90px 2.6rem minmax(0, 1fr);
    gap: 0.6rem;
    align-items: baseline;
    padding: 0.2rem 0;
  }

  rect {
    fill: var(--flax);
  }

  .taste {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
  }

  .owed {
    color: var(--close);
  }

  p {
    margin: 0.3rem 0 0;
  }
</style>
