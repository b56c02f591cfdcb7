<!-- What is wanted and how it is made: bags and their size, loss, scale, vessel. Saves as it is set. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '../../api/client';
  import { figure, money } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { saveBatch, setOf } from '../doing';
  import type { Batch } from '../types';

  const { batch, changed }: { batch: Batch; changed: (next: Batch) => void } = $props();
  let ahead = $state.raw<Schemas['Ahead'] | null>(null);
  let ways = $state.raw<Schemas['Mixing'][]>([]);
  const wanted = $derived(batch.wanted as Schemas['WantedIn']);
  const making = $derived(batch.making as Schemas['BatchMakingIn']);

  type Change = {
    wanted?: Partial<Schemas['WantedIn']>;
    making?: Partial<Schemas['BatchMakingIn']>;
    note?: string;
  };
  let saving: Promise<void> = Promise.resolve();
  function set(change: Change): void {
    saving = saving.then(() =>
      attempt(async () => {
        const was = setOf(batch);
        const body = {
          ...was,
          ...(change.note === undefined ? {} : { note: change.note }),
          wanted: { ...was.wanted, ...change.wanted },
          making: { ...was.making, ...change.making }
        };
        changed(await saveBatch(batch, body));
      })
    );
  }

  const number = (e: Event): number => Number((e.currentTarget as HTMLInputElement).value.replace(',', '.'));
  const kg = $derived(batch.need_g / 1000);
  const fits = $derived(kg >= batch.vessel.batch_kg_low && kg <= batch.vessel.batch_kg_high);

  /** Takes one of the kitchen's own scales or vessels, with all that is known of it. */
  function takeScale(name: string): void {
    const found = ahead?.scales.find((s) => s.name === name);
    if (found) set({ making: { scale: found.name, step_g: found.step_g, capacity_g: found.capacity_g } });
  }
  function takeVessel(name: string): void {
    const found = ahead?.vessels.find((v) => v.name === name);
    if (!found) return;
    const { blender, litres, empty_g } = found;
    set({ making: { blender, vessel_l: litres, container_g: empty_g } });
  }

  onMount(() =>
    attempt(async () => {
      ways = (await ask(api.GET('/api/v1/batches/ways'))).data.items;
      ahead = (await ask(api.GET('/api/v1/kitchen/ahead'))).data.ahead;
    })
  );
</script>

<div class="set">
  <label
    ><span>Bags</span><input
      class="field num"
      inputmode="numeric"
      value={wanted.bags}
      onchange={(e) => set({ wanted: { bags: number(e), total_g: null } })}
    /></label
  >
  <label
    ><span>of, g</span><input
      class="field num"
      inputmode="decimal"
      value={wanted.bag_g}
      onchange={(e) => set({ wanted: { bag_g: number(e), total_g: null } })}
    /></label
  >
  <label
    ><span>Loss, %</span><input
      class="field num"
      inputmode="decimal"
      value={wanted.loss_pct}
      onchange={(e) => set({ wanted: { loss_pct: number(e) } })}
    /></label
  >
  <label
    ><span>Scale step, g</span><input
      class="field num"
      inputmode="decimal"
      value={making.step_g}
      onchange={(e) => set({ making: { step_g: number(e) } })}
    /></label
  >
  <label
    ><span>bears, g</span><input
      class="field num"
      inputmode="decimal"
      value={making.capacity_g}
      onchange={(e) => set({ making: { capacity_g: number(e) } })}
    /></label
  >
  <label
    ><span>Container, g</span><input
      class="field num"
      inputmode="decimal"
      value={making.container_g}
      onchange={(e) => set({ making: { container_g: number(e) } })}
    /></label
  >
  {#if ahead?.scales.length}
    <label class="wide">
      <span>On the scale</span>
      <select class="field" value={making.scale} onchange={(e) => takeScale(e.currentTarget.value)}>
        {#if !ahead.scales.some((s) => s.name === making.scale)}<option>{making.scale}</option>{/if}
        {#each ahead.scales as s (s.name)}<option>{s.name}</option>{/each}
      </select>
    </label>
  {/if}
  {#if ahead?.vessels.length}
    <label class="wide">
      <span>In</span>
      <select class="field" value="" onchange={(e) => takeVessel(e.currentTarget.value)}>
        <option value="">one of the kitchen’s vessels …</option>
        {#each ahead.vessels as v (v.name)}<option>{v.name}</option>{/each}
      </select>
    </label>
  {/if}
  <label class="wide">
    <span>Mixed by</span>
    <select
      class="field"
      value={making.blender}
      onchange={(e) => set({ making: { blender: e.currentTarget.value } })}
    >
      {#each ways as w (w.blender)}<option value={w.blender}>{w.name}</option>{/each}
    </select>
  </label>
</div>
<p class="small" class:close={!fits}>
  {fits ? '' : '◆ '}{figure(kg, 2)} kg in {batch.vessel.name.toLowerCase()}, which takes {batch.vessel
    .batch_kg_low}
  to {batch.vessel.batch_kg_high} kg{batch.vessel.fill_pct_high
    ? `, at most ${batch.vessel.fill_pct_high} % full`
    : ''};
  {batch.vessel.minutes_typical} min. {batch.vessel.how}. A rule of thumb.
</p>
<p class="small soft">
  Cost of what it draws: {batch.cost === null ? 'not known of every lot' : money(batch.cost, batch.currency)}
</p>

<style>
  .set {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0.5rem 0.75rem;
    margin-top: 1rem;
  }

  label {
    display: grid;
    gap: 0.1rem;
    font-size: var(--small);
    color: var(--soft);
  }

  .field {
    width: 100%;
  }

  .wide {
    grid-column: 1 / -1;
  }
</style>
