<!-- Add something that is to be ready: a formula of the kitchen, or a use without one. -->
<script lang="ts">
  import { allPages, api, ask, type Schemas } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { productOf, tomorrowAtNine, workplace } from '../making';
  import { schools } from './schools.svelte';
  import type { ScheduleBench } from '../schedule.svelte';

  const { bench, label = 'Add …' }: { bench: ScheduleBench; label?: string } = $props();
  let formulas = $state.raw<Schemas['FormulaSummary'][]>([]);

  async function load(): Promise<void> {
    if (formulas.length) return;
    formulas = await allPages((cursor) =>
      ask(api.GET('/api/v1/formulas', { params: { query: { limit: 100, archived: '0', cursor } } }))
    );
  }

  async function add(value: string): Promise<void> {
    const place = await workplace();
    const last = bench.content.products.at(-1)?.ready_at;
    const ready = last ?? tomorrowAtNine(place.now, bench.zone);
    if (value.startsWith('use:')) {
      const use = value.slice(4);
      const name = schools.found?.uses.find((u) => u.use === use)?.name ?? use;
      bench.addProduct({ id: name, use, dough_g: 900, pieces: 1, ready_at: ready });
      return;
    }
    const head = formulas.find((f) => String(f.head.id) === value)?.head;
    if (head) bench.addProduct(await productOf(head, ready));
  }

  $effect(() => void attempt(() => Promise.all([load(), schools.load()])));
</script>

<select
  aria-label="Add something that is to be ready"
  value=""
  onchange={(e) => {
    const { value } = e.currentTarget;
    e.currentTarget.value = '';
    if (value) void attempt(() => add(value));
  }}
>
  <option value="">{label}</option>
  <optgroup label="Formulas">
    {#each formulas as f (f.head.id)}<option value={String(f.head.id)}>{f.head.name}</option>{/each}
  </optgroup>
  <optgroup label="Without a formula">
    {#each schools.found?.uses ?? [] as u (u.use)}<option value="use:{u.use}">{u.name}</option>{/each}
  </optgroup>
</select>

<style>
  select {
    max-width: 14rem;
    min-height: 32px;
    border: 1px solid var(--line);
    border-radius: 3px;
    background: transparent;
    color: var(--flax);
    padding: 0 0.4rem;
  }

  option,
  optgroup {
    background: var(--sheet);
    color: var(--ink);
  }
</style>
