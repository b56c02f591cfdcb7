<!-- Bags and bins of a batch: fill them, open them, say what left, count what is there. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '../../api/client';
  import { day } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { fillBags } from '../doing';
  import { grams, kilos, type Bag, type Batch } from '../types';
  import BagSheet from './BagSheet.svelte';

  const { batch, changed }: { batch: Batch; changed: (next: Batch) => void } = $props();
  const filled = $derived(batch.bags.reduce((sum, b) => sum + b.net_g, 0));
  const size = $derived(Number(batch.wanted.bag_g));
  const fits = $derived(
    Math.max(1, Math.min(Number(batch.wanted.bags), Math.floor((batch.in_g - filled) / size)))
  );
  let count = $state('');
  let net = $state('');
  let place = $state('');
  let binId = $state('');
  let bins = $state.raw<Schemas['BinSeen'][]>([]);
  let open = $state.raw<Bag | null>(null);
  const canFill = $derived(batch.state === 'blended' || batch.state === 'bagged');

  async function loadBins(): Promise<void> {
    bins = (await ask(api.GET('/api/v1/bins'))).data.items;
  }
  onMount(() => attempt(loadBins));

  async function fill(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      const net_g = Number((net || String(size)).replace(',', '.'));
      const body = {
        count: Number(count || fits),
        size_g: size,
        net_g,
        place,
        is_bin: false,
        bin_id: binId ? Number(binId) : null
      };
      changed(await fillBags(batch, body));
      [count, net, binId] = ['', '', ''];
      await loadBins();
    });
  }
</script>

<h2>
  Bags <span class="small soft">
    {#if batch.came_to}yield {batch.came_to.yield_pct.toFixed(1)} %, {grams(batch.came_to.unexplained_g)} g unexplained{/if}
  </span>
</h2>
{#if batch.bags.length}
  <div class="scroll">
    <table class="lines">
      <thead
        ><tr
          ><th>Bag</th><th class="num">Left</th><th>Stands</th><th>Open since</th><th>Use by</th><th
            ><span class="sr-only">Change</span></th
          ></tr
        ></thead
      >
      <tbody>
        {#each batch.bags as b (b.id)}
          <tr class:soft={b.left_g <= 0}>
            <td><span class="num">{b.code}</span>{b.is_bin ? ' bin' : ''}</td>
            <td class="num">{b.left_g > 0 ? `${grams(b.left_g)} of ${grams(b.net_g)} g` : 'empty'}</td>
            <td>{b.place || '–'}</td>
            <td>{b.opened_on ? day(b.opened_on) : 'closed'}</td>
            <td
              >{b.left_g > 0 && b.use_by ? day(b.use_by) : ''}
              <span class="small soft">{b.left_g > 0 ? b.use_by_why : ''}</span></td
            >
            <td
              ><button class="action" onclick={() => (open = b)}
                >Open, take, count<span class="sr-only"> bag {b.number}</span></button
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
{#if canFill && batch.in_g - filled > size * 0.05}
  <form class="no-print" onsubmit={fill}>
    <label
      ><span>Fill</span><input
        class="field num"
        inputmode="numeric"
        placeholder={String(fits)}
        bind:value={count}
      /></label
    >
    <label
      ><span>with, g</span><input
        class="field num"
        inputmode="decimal"
        placeholder={String(size)}
        bind:value={net}
      /></label
    >
    <label class="grow"
      ><span>they stand</span><input class="field" placeholder="shelf 2" bind:value={place} /></label
    >
    {#if bins.length}
      <label>
        <span>into</span>
        <select class="field" bind:value={binId}>
          <option value="">bags</option>
          {#each bins as b (b.id)}
            <option value={String(b.id)} disabled={b.stands !== 'clean'}
              >{b.name}{b.stands === 'clean' ? '' : `: ${b.say}`}</option
            >
          {/each}
        </select>
      </label>
    {/if}
    <button class="action main">Fill</button>
    <span class="small soft">{kilos(batch.in_g - filled)} not in a bag yet</span>
  </form>
{/if}
{#if open}<BagSheet bag={open} batchId={batch.id} {changed} onclose={() => (open = null)} />{/if}

<style>
  h2 {
    margin: 1rem 0 0.3rem;
  }

  .scroll {
    position: relative;
    overflow-x: auto;
  }

  form {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 0.5rem;
    margin-top: 0.5rem;
  }

  label {
    display: grid;
    font-size: var(--small);
    color: var(--soft);
  }

  .num.field {
    width: 5rem;
  }

  .grow {
    flex: 1;
    min-width: 7rem;
  }
</style>
