<!-- How mixes are made ahead: scales, vessels, bag sizes, tolerances, letters before a code, the usual label. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { kitchen } from '../app/kitchen.svelte';

  type Kept = Schemas['AheadIn'];
  let kept = $state<Kept | null>(null);
  let ways = $state.raw<Schemas['Mixing'][]>([]);
  let choices = $state.raw<Schemas['ChoicesOut'] | null>(null);
  let version = 0;
  let said = $state('');
  let wrong = $state('');
  let scale = $state({ name: '', step: '1', bears: '5000' });
  let vessel = $state({ name: '', blender: 'bowl-whisk', litres: '', empty: '0' });
  const number = (text: string): number => Number(text.replace(',', '.'));
  const sizes = $derived(kept?.bag_sizes_g?.join(', ') ?? '');

  function take(data: Schemas['AheadOut']): void {
    kept = data.ahead as Kept;
    version = data.version;
    if (kitchen.settings) kitchen.settings = { ...kitchen.settings, version };
  }

  async function set(change: Partial<Kept>): Promise<void> {
    wrong = '';
    try {
      const body = { ...kept!, ...change };
      const params = { header: { 'If-Match': `"${kitchen.settings?.version ?? version}"` } };
      take((await ask(api.PUT('/api/v1/kitchen/ahead', { params, body }))).data);
      said = 'Saved. Plans that are there keep what they have.';
    } catch (error) {
      said = '';
      wrong = wordsOf(error);
    }
  }

  function addScale(event: Event): void {
    event.preventDefault();
    const made = { name: scale.name.trim(), step_g: number(scale.step), capacity_g: number(scale.bears) };
    void set({ scales: [...(kept?.scales ?? []), made] });
    scale = { name: '', step: '1', bears: '5000' };
  }

  function addVessel(event: Event): void {
    event.preventDefault();
    const litres = vessel.litres.trim() ? number(vessel.litres) : null;
    const made = {
      name: vessel.name.trim(),
      blender: vessel.blender,
      litres,
      empty_g: number(vessel.empty || '0')
    };
    void set({ vessels: [...(kept?.vessels ?? []), made] });
    vessel = { name: '', blender: 'bowl-whisk', litres: '', empty: '0' };
  }

  const without = <T,>(list: readonly T[] | undefined, n: number): T[] =>
    (list ?? []).filter((_, k) => k !== n);

  onMount(async () => {
    try {
      take((await ask(api.GET('/api/v1/kitchen/ahead'))).data);
      ways = (await ask(api.GET('/api/v1/batches/ways'))).data.items;
      choices = (await ask(api.GET('/api/v1/labels/choices'))).data;
    } catch (error) {
      wrong = wordsOf(error);
    }
  });
</script>

<h2 class="mt-4">Mixes made ahead</h2>
{#if kept}
  <p class="small soft">The first scale, vessel and size stand on every new plan.</p>
  <h3>Scales</h3>
  <ul>
    {#each kept.scales ?? [] as s, n (n)}
      <li>
        {s.name}: step {s.step_g} g, bears {s.capacity_g} g
        <button class="link" onclick={() => set({ scales: without(kept?.scales, n) })}>take away</button>
      </li>
    {/each}
  </ul>
  <form onsubmit={addScale}>
    <label class="grow"><span>Scale</span><input class="field" required bind:value={scale.name} /></label>
    <label><span>Step, g</span><input class="field num" inputmode="decimal" bind:value={scale.step} /></label>
    <label
      ><span>Bears, g</span><input class="field num" inputmode="decimal" bind:value={scale.bears} /></label
    >
    <button class="action">Add scale</button>
  </form>
  <h3>Vessels</h3>
  <ul>
    {#each kept.vessels ?? [] as v, n (n)}
      <li>
        {v.name}: {ways.find((w) => w.blender === v.blender)?.name.toLowerCase() ?? v.blender}{v.litres
          ? `, ${v.litres} L`
          : ''}, {v.empty_g} g empty
        <button class="link" onclick={() => set({ vessels: without(kept?.vessels, n) })}>take away</button>
      </li>
    {/each}
  </ul>
  <form onsubmit={addVessel}>
    <label class="grow"><span>Vessel</span><input class="field" required bind:value={vessel.name} /></label>
    <label class="grow">
      <span>Mixed by</span>
      <select class="field" bind:value={vessel.blender}
        >{#each ways as w (w.blender)}<option value={w.blender}>{w.name}</option>{/each}</select
      >
    </label>
    <label><span>L</span><input class="field num" inputmode="decimal" bind:value={vessel.litres} /></label>
    <label
      ><span>Empty, g</span><input class="field num" inputmode="decimal" bind:value={vessel.empty} /></label
    >
    <button class="action">Add vessel</button>
  </form>
  <div class="line">
    <label
      ><span>Bag sizes, g</span><input
        class="field"
        placeholder="500, 1000"
        value={sizes}
        onchange={(e) =>
          set({
            bag_sizes_g: e.currentTarget.value
              .split(/[\s,;]+/)
              .filter(Boolean)
              .map(Number)
          })}
      /></label
    >
    <label
      ><span>A part may be off by, %</span><input
        class="field num"
        inputmode="decimal"
        value={kept.tolerance_pct}
        onchange={(e) => set({ tolerance_pct: number(e.currentTarget.value) })}
      /></label
    >
    <label
      ><span>a small one by, %</span><input
        class="field num"
        inputmode="decimal"
        value={kept.tolerance_of_small_pct}
        onchange={(e) => set({ tolerance_of_small_pct: number(e.currentTarget.value) })}
      /></label
    >
    <label
      ><span>Letters before a code</span><input
        class="field num"
        maxlength="3"
        value={kept.letters}
        onchange={(e) => set({ letters: e.currentTarget.value })}
      /></label
    >
    {#if choices}
      <label>
        <span>Label by</span>
        <select
          class="field"
          value={kept.scheme}
          onchange={(e) => set({ scheme: e.currentTarget.value, language: '' })}
        >
          {#each Object.entries(choices.schemes) as [k, label] (k)}<option value={k}>{label}</option>{/each}
        </select>
      </label>
      <label>
        <span>in</span>
        <select
          class="field"
          value={kept.language}
          onchange={(e) => set({ language: e.currentTarget.value })}
        >
          <option value="">its own language</option>
          {#each Object.entries(choices.languages) as [k, label] (k)}<option value={k}>{label}</option>{/each}
        </select>
      </label>
    {/if}
  </div>
  <p role="status" class="passes">{said}</p>
{/if}
{#if wrong}<p role="alert" class="held">{wrong}</p>{/if}

<style>
  h3 {
    margin: 0.75rem 0 0.1rem;
  }

  form,
  .line {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 0.5rem;
    margin: 0.3rem 0;
  }

  label {
    display: grid;
    font-size: var(--small);
    color: var(--soft);
  }

  .grow {
    flex: 1;
    min-width: 9rem;
    max-width: 18rem;
  }

  .num.field {
    width: 6rem;
  }

  label {
    grid-template-columns: minmax(0, 1fr);
    min-width: 0;
    max-width: 100%;
  }

  .line {
    margin-top: 0.9rem;
  }
</style>
