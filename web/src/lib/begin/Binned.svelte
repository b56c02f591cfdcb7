<!-- Second door: what is in the bins, in words or as a table, read into lots and prices that can be set right first. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { kitchen } from '../app/kitchen.svelte';
  import { attempt } from '../ui/state/attempt';
  import { Latest } from '../ui/state/latest';

  type Bin = Schemas['SaidBinOut'];
  let done = $state('');
  let text = $state('');
  let bins = $state.raw<Bin[]>([]);
  let trouble = $state('');
  let set = $state<Record<number, { ingredient?: string; stock?: string; price?: string }>>({});
  const asking = new Latest<string, Bin[]>(
    async (text) => (await ask(api.POST('/api/v1/begin/bins', { body: { text } }))).data.items,
    (found) => {
      bins = found;
      set = {};
      trouble = '';
    },
    (error) => (trouble = wordsOf(error)),
    150
  );
  const number = (typed: string | undefined, otherwise: number | null): number | null =>
    typed === undefined ? otherwise : typed.trim() ? Number(typed.replace(',', '.')) : null;
  const ready = $derived(
    bins
      .map((b, n) => ({
        ingredient: set[n]?.ingredient ?? b.ingredient ?? '',
        stock_g: (number(set[n]?.stock, b.stock_g === null ? null : b.stock_g / 1000) ?? 0) * 1000 || null,
        price_per_kg: number(set[n]?.price, b.price_per_kg)
      }))
      .filter((b) => b.ingredient && (b.stock_g !== null || b.price_per_kg !== null))
  );

  function write(typed: string): void {
    text = typed;
    if (typed.trim()) asking.ask(typed);
    else {
      asking.forget();
      bins = [];
    }
  }

  const change = (n: number, key: 'ingredient' | 'stock' | 'price', value: string): void => {
    set = { ...set, [n]: { ...set[n], [key]: value } };
  };

  async function keep(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      const { data } = await ask(api.POST('/api/v1/begin/bins/keep', { body: { bins: ready } }));
      done = data.say;
      write('');
      document.getElementById('baking')?.focus();
    });
  }
</script>

<form onsubmit={keep}>
  <h2><label for="binned">What is in your bins?</label></h2>
  <textarea
    id="binned"
    class="field"
    rows="3"
    maxlength="20000"
    spellcheck="false"
    placeholder="Sorghum 5 kg at 3.20/kg, brown rice 10 kg, 2 kg potato starch"
    value={text}
    oninput={(e) => write(e.currentTarget.value)}></textarea>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  {#if done && !bins.length}
    <p class="passes" role="status">
      ● {done} Each is a lot of its own from today, on the <a href="#/ingredients">shelf</a>. Next: what do
      you want to bake?
    </p>
  {/if}
  {#if bins.length}
    <table class="lines">
      <thead
        ><tr><th>Flour</th><th class="num">kg</th><th class="num">{kitchen.settings?.currency} per kg</th></tr
        ></thead
      >
      <tbody>
        {#each bins as b, n (n)}
          <tr>
            <td>
              {#if b.ingredient}{b.ingredient_name}{:else}
                <span class="held">■ {b.name}</span>
                {#if b.near.length}
                  <select
                    class="field"
                    aria-label="What {b.name} is"
                    onchange={(e) => change(n, 'ingredient', e.currentTarget.value)}
                  >
                    <option value="">leave it out</option>
                    {#each b.near as slug (slug)}<option value={slug}>{slug.replaceAll('-', ' ')}</option
                      >{/each}
                  </select>
                {:else}<span class="small">not known here: it is left out</span>{/if}
              {/if}
              {#each b.guesses as g (g)}<span class="small close">◆ {g}</span>{/each}
            </td>
            <td class="num"
              ><input
                class="field num"
                inputmode="decimal"
                aria-label="{b.ingredient_name || b.name}, kg"
                placeholder="?"
                value={b.stock_g === null ? '' : b.stock_g / 1000}
                oninput={(e) => change(n, 'stock', e.currentTarget.value)}
              /></td
            >
            <td class="num"
              ><input
                class="field num"
                inputmode="decimal"
                aria-label="{b.ingredient_name || b.name}, price per kg"
                placeholder="–"
                value={b.price_per_kg ?? ''}
                oninput={(e) => change(n, 'price', e.currentTarget.value)}
              /></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <button class="action main" disabled={!ready.length}>
    {ready.length ? `Put ${ready.length} on the shelf` : 'Put them on the shelf'}
  </button>
</form>

<style>
  td .small,
  td select {
    display: block;
  }

  .num.field {
    width: 5.5rem;
  }
</style>
