<!-- The bake: phases as the kitchen reads them, the core to reach, cooling, cautions; and the cook's own method. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { counted, figure, temperature } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import type { FormulaBench } from '../bench/formula.svelte';
  import { formulas } from '../reference.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const unit = $derived(kitchen.settings?.temp_unit ?? 'c');
  const bake = $derived(bench.judgement?.bake);
  const gas = (mark: number | null): string =>
    mark === null ? '' : mark === 0.25 ? '¼' : mark === 0.5 ? '½' : String(mark);

  function oven(o: Schemas['OvenSetting'], fan: boolean): string {
    const c = fan ? o.fan_c : o.conventional_c;
    const f = fan ? o.fan_f : o.conventional_f;
    return unit === 'f' ? `${f} °F` : `${c} °C`;
  }
  const other = (o: Schemas['OvenSetting']): string =>
    unit === 'f' ? `${o.conventional_c} °C` : `${o.conventional_f} °F`;
</script>

{#if bake}
  <p>
    <label>
      Tin or tray of
      <select
        class="field"
        value={bench.content.pan ?? 'bright metal'}
        onchange={(e) => bench.set({ pan: e.currentTarget.value })}
      >
        {#each formulas.reference?.pans ?? [] as pan (pan.material)}<option value={pan.material}
            >{pan.material}, time × {pan.time_factor}</option
          >{/each}
      </select>
    </label>
    <span class="small soft">{bake.pan_note === 'reference' ? '' : bake.pan_note}</span>
  </p>
  {#if bake.phases.length}
    <table class="lines">
      <thead
        ><tr
          ><th scope="col">phase</th><th scope="col" class="num">oven</th><th scope="col" class="num"
            >with fan</th
          ><th scope="col" class="num">or</th><th scope="col" class="num">gas</th><th scope="col" class="num"
            >minutes</th
          ><th scope="col">how</th></tr
        ></thead
      >
      <tbody>
        {#each bake.phases as p, n (n)}
          <tr
            ><th scope="row">{n + 1}</th><td class="num"><b>{oven(p.oven, false)}</b></td><td class="num"
              >{oven(p.oven, true)}</td
            ><td class="num soft">{other(p.oven)}</td><td class="num">{gas(p.oven.gas_mark)}</td><td
              class="num"
              ><b>{figure(p.minutes_typical, 0)}</b>
              <span class="soft">({figure(p.minutes_low, 0)}–{figure(p.minutes_high, 0)})</span></td
            ><td>{p.say}</td></tr
          >
        {/each}
      </tbody>
    </table>
    <p class="small soft">
      Times and temperatures are rules of thumb for this use: go by the core. <a href="#/method/baking"
        >How is this worked out?</a
      >
    </p>
  {:else}
    <p class="my-2">{bake.say}</p>
  {/if}
  {#if bake.core_low_c !== null && bake.core_high_c !== null}
    <p class="mt-2">
      <b>Core {temperature(bake.core_low_c, unit)} to {temperature(bake.core_high_c, unit)}.</b>
      {bake.core_why}
    </p>
    <p>
      <b>Cool {counted(bake.cool_minutes ?? 0, 'minute')} before cutting.</b>
      {bake.cool_why}
    </p>
  {/if}
  {#each bake.cautions as caution (caution.kind)}<p class="small">{caution.say}</p>{/each}
{/if}
<h2 class="mt-2 own"><label for="method">Your own method</label></h2>
<textarea
  id="method"
  class="field"
  rows="5"
  maxlength="4000"
  placeholder="Shaping, proofing, what the tables do not know. Oven temperatures in it are checked against one another."
  value={bench.content.method}
  onchange={(e) => bench.set({ method: e.currentTarget.value })}></textarea>

<style>
  .own {
    font-size: var(--body);
  }

  textarea {
    width: 100%;
  }

  td.num {
    padding-right: 1rem;
  }
</style>
