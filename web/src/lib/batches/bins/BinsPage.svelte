<!-- Bins by their place: what each holds, since when, what it held before; emptied, cleaned and filled, each a tap. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { day } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { loadOn } from '../../ui/state/loading.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import { grams } from '../types';
  import BinSheet from './BinSheet.svelte';

  type Bin = Schemas['BinSeen'];
  let bins = $state.raw<Bin[] | null>(null);
  let trouble = $state('');
  let editing = $state.raw<Bin | 'new' | null>(null);
  let gross = $state<Record<number, string>>({});
  const held = $derived(bins?.filter((b) => b.stands === 'holds').length ?? 0);
  const unknown = $derived(bins?.filter((b) => b.stands === 'unknown').length ?? 0);
  const MARK: Record<string, string> = { holds: '●', clean: '○', 'to clean': '◆', unknown: '■' };

  async function load(): Promise<void> {
    try {
      bins = (await ask(api.GET('/api/v1/bins'))).data.items;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  const path = (b: Bin): { path: { bin_id: number } } => ({ path: { bin_id: b.id } });
  const clean = (b: Bin): Promise<void> =>
    attempt(async () => {
      bins = (await ask(api.POST('/api/v1/bins/{bin_id}/cleaned', { params: path(b) }))).data.items;
    });
  const weigh = (b: Bin): Promise<void> =>
    attempt(async () => {
      const body = { gross_g: Number((gross[b.id] ?? '').replace(',', '.')) };
      bins = (await ask(api.POST('/api/v1/bins/{bin_id}/weighed', { params: path(b), body }))).data.items;
      gross[b.id] = '';
    });
  loadOn(() => true, load);
</script>

{#if trouble && !bins}
  <Trouble say={trouble} again={load} />
{:else if bins}
  <div class="page">
    <div class="page-head">
      <h1 data-says>
        {bins.length
          ? `${held} of ${bins.length} bins hold a mix${unknown ? `, of ${unknown} nobody knows what is in it` : ''}.`
          : 'No bin has a name yet.'}
      </h1>
      <button class="action main" onclick={() => (editing = 'new')}>Add a bin</button>
    </div>
    <p class="small soft">
      One batch at a time and no topping up: emptied, cleaned, filled. A batch is filled into a bin from its
      own page.
    </p>
    <ul>
      {#each bins as b (b.id)}
        {@const now = b.stands === 'holds' ? b.fillings[0] : undefined}
        <li>
          <div>
            <button class="link name" onclick={() => (editing = b)}>{b.name}</button>
            <span class="small soft">{b.place}</span>
          </div>
          <div>
            <span class={b.stands === 'unknown' ? 'held' : b.stands === 'to clean' ? 'close' : ''}>
              {MARK[b.stands]}
              {#if now}<a href="#/batch/{now.batch_id}">{b.say}</a>{:else}{b.say}{/if}
            </span>
            {#if now}
              <span class="small soft">
                since {day(now.since)}{now.opened_on ? `, open since ${day(now.opened_on)}` : ', closed'}: {grams(
                  now.left_g
                )} of {grams(now.net_g)} g
              </span>
            {/if}
            {#each b.fillings.slice(now ? 1 : 0, 4) as f (f.code)}
              <span class="small soft">{day(f.since)} to {day(f.until)}: {f.name}, {f.code}</span>
            {/each}
          </div>
          <div class="acts no-print">
            {#if now && b.tare_g !== null}
              <form
                onsubmit={(e) => {
                  e.preventDefault();
                  void weigh(b);
                }}
              >
                <input
                  class="field num"
                  inputmode="decimal"
                  aria-label="{b.name} weighs with what is in it, g"
                  placeholder="weighs, g"
                  bind:value={gross[b.id]}
                />
                <button class="action" disabled={!gross[b.id]?.trim()}>Weighed</button>
              </form>
            {:else if !now && b.stands !== 'clean'}
              <button class="action" onclick={() => clean(b)}
                >{b.stands === 'unknown' ? 'Emptied and cleaned' : 'Cleaned'}</button
              >
            {/if}
          </div>
        </li>
      {/each}
    </ul>
  </div>
{:else}
  <p class="soft" role="status">Lifting the lids …</p>
{/if}
{#if editing}
  <BinSheet
    bin={editing === 'new' ? null : editing}
    changed={(next) => (bins = next)}
    onclose={() => (editing = null)}
  />
{/if}

<style>
  li {
    display: grid;
    grid-template-columns: minmax(8rem, 0.6fr) minmax(0, 2fr) 15rem;
    gap: 0.25rem 1.25rem;
    padding: 0.6rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  li > div:not(.acts) {
    display: grid;
    align-content: start;
    justify-items: start;
  }

  .name {
    font-weight: 600;
  }

  form {
    display: flex;
    gap: 0.4rem;
  }

  .num.field {
    width: 7rem;
  }

  @media (max-width: 700px) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
