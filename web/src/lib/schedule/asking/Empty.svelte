<!-- Nothing to be ready yet: one button plans a formula of the kitchen for tomorrow. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { productOf, tomorrowAtNine, workplace } from '../making';
  import type { ScheduleBench } from '../schedule.svelte';

  const { bench }: { bench: ScheduleBench } = $props();
  let first = $state.raw<Schemas['HeadOut'] | null>(null);

  async function load(): Promise<void> {
    const query = { limit: 1, archived: '0' as const };
    first = (await ask(api.GET('/api/v1/formulas', { params: { query } }))).data.items[0]?.head ?? null;
  }

  async function plan(head: Schemas['HeadOut']): Promise<void> {
    const place = await workplace();
    bench.addProduct(await productOf(head, tomorrowAtNine(place.now, bench.zone)));
    if (bench.head.name === 'New schedule') await bench.saveHead({ name: head.name });
  }

  $effect(() => void attempt(load));
</script>

<div class="empty">
  <h1>Nothing to be ready yet</h1>
  {#if first}
    {@const head = first}
    <button class="action main" onclick={() => attempt(() => plan(head))}>
      Plan {head.name} for tomorrow 09:00
    </button>
    <p class="soft">or add another formula, or a use without one, from the list above.</p>
  {:else}
    <p class="soft">
      Add a use from the list above, or make a formula first: its grams then stand at each step.
    </p>
  {/if}
</div>

<style>
  .empty {
    display: flex;
    flex-direction: column;
    align-items: flex-start;
    gap: 0.75rem;
    padding: 3rem 1.25rem;
    border-top: 1px solid var(--hairline);
    background: var(--sheet);
    flex: 1;
  }
</style>
