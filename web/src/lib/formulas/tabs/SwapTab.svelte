<!-- Swaps for the chosen line: what comes in, what is lost, what else changes; taken as one step. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { signed, spaced } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import type { FormulaBench } from '../bench/formula.svelte';
  import { BLEND } from '../types';

  const { bench }: { bench: FormulaBench } = $props();
  let found = $state.raw<Schemas['SwapOffers'] | null>(null);
  let wrong = $state('');
  const currency = $derived(kitchen.settings?.currency ?? '');
  const kcal = $derived(kitchen.settings?.energy_unit === 'kcal');
  const at = $derived(
    bench.selected !== null && bench.lines[bench.selected]?.ingredient !== BLEND ? bench.selected : null
  );
  const others = $derived(bench.lines.map((l, n) => ({ l, n })).filter(({ l }) => l.ingredient !== BLEND));

  loadOn(
    () => ({ at, content: bench.content }),
    async (asked) => {
      found = null;
      if (asked.at === null) return;
      try {
        const body = { content: asked.content, at: asked.at };
        const { data } = await ask(api.POST('/api/v1/formula-swaps', { body }));
        if (asked.at !== at) return; // another line is chosen by now
        found = data;
        wrong = '';
      } catch (error) {
        wrong = wordsOf(error);
      }
    }
  );

  function take(s: Schemas['Swap']): void {
    bench.set({ lines: s.lines });
    notices.say(`${s.say} Undo goes back.`);
  }

  function effects(s: Schemas['Effects']): string[] {
    const said = [];
    const by = (what: string): number | null => s.changes.find((c) => c.what === what)?.size ?? null;
    const [water, cost, energy, fat] = [by('hydration_pct'), by('cost'), by('energy_kj'), by('fat_g')];
    if (water !== null)
      said.push(Math.abs(water) < 0.05 ? 'water as before' : `water ${signed(water, 1)} % of flour`);
    if (cost !== null) said.push(`${signed(cost, 2)} ${currency || 'in cost'}`.trim());
    else said.push(`cost not known: no price for ${s.unpriced.map((n) => n.toLowerCase()).join(', ')}`);
    if (energy !== null) said.push(kcal ? `${signed(energy / 4.184, 0)} kcal` : `${signed(energy, 0)} kJ`);
    if (fat !== null && Math.abs(fat) >= 0.5) said.push(`${signed(fat, 0)} g fat`);
    if (s.brings.length) said.push(`brings ${s.brings.map(spaced).join(', ')}`);
    if (s.rids_of.length) said.push(`no more ${s.rids_of.map(spaced).join(', ')} on record`);
    return said;
  }
  const weight = (lost: number): string =>
    lost === 0 ? 'nothing to mention' : lost <= 2 ? 'loses little' : lost <= 5 ? 'loses some' : 'loses much';
</script>

<p>
  <label>
    Swap
    <select
      class="field"
      value={at ?? ''}
      onchange={(e) => (bench.selected = e.currentTarget.value === '' ? null : Number(e.currentTarget.value))}
    >
      <option value="">which line?</option>
      {#each others as { l, n } (n)}<option value={n}>{bench.nameOf(l, n)}</option>{/each}
    </select>
  </label>
  <span class="soft small"
    >Each keeps what the line was for, then the water is repaired. <a href="#/method/swaps">How?</a></span
  >
</p>
{#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
{#if at === null}
  <p class="soft mt-2">Choose a fat, a sweetener, an egg, a milk, a thickener in a filling or a binder.</p>
{:else if found}
  {#if found.say}<p class="soft mt-2">{found.say}</p>{/if}
  <ul>
    {#each found.offers as { swap: s, lost, effects: does }, n (n)}
      <li>
        <div class="head">
          <b>{s.name}</b>
          <span class="small soft">{weight(lost)}</span>
          <button class="action" onclick={() => take(s)} aria-label="Take it: {s.name}">Take it</button>
        </div>
        <p>{s.say}</p>
        <p class="small soft">{effects(does).join(' · ')}</p>
        {#if s.losses.length}<ul class="losses small">
            {#each s.losses as loss, n (n)}<li>
                <span class="weight" aria-hidden="true">{'−'.repeat(Math.min(3, loss.weight))}</span>
                {loss.say}
              </li>{/each}
          </ul>{/if}
      </li>
    {/each}
  </ul>
{:else if !wrong}
  <p class="soft mt-2" role="status">Looking for what could stand in …</p>
{/if}

<style>
  ul > li {
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .head {
    display: flex;
    align-items: center;
    gap: 0.75rem;
  }

  .head .action {
    margin-left: auto;
  }

  .losses li {
    display: flex;
    gap: 0.5rem;
    padding: 0.05rem 0;
    border: 0;
  }

  .weight {
    flex: none;
    width: 1.8rem;
    color: var(--close);
    font-weight: 600;
    text-align: right;
  }
</style>
