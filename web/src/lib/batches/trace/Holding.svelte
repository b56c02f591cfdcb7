<!-- Hold what is traced, after a preview that names what goes with it; release it with a reason; run a drill. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import { notices } from '../../ui/state/notices.svelte';
  import { kilos } from '../types';

  interface Props {
    kind: 'lot' | 'batch';
    id: number;
    held: boolean;
    changed: () => Promise<void>;
  }
  const { kind, id, held, changed }: Props = $props();
  let open = $state<'' | 'hold' | 'release'>('');
  let why = $state('');
  let would = $state.raw<Schemas['HeldOut'] | null>(null);
  let drill = $state.raw<Schemas['DrillOut'] | null>(null);
  let found = $state('');
  const lot = $derived({ path: { lot_id: id } });
  const batch = $derived({ path: { batch_id: id } });

  const preview = (): Promise<void> =>
    attempt(async () => {
      would =
        kind === 'lot' ? (await ask(api.GET('/api/v1/lots/{lot_id}/hold', { params: lot }))).data : null;
      open = 'hold';
    });

  const done = (event: Event): void => {
    event.preventDefault();
    void attempt(async () => {
      const body = { why, recalled: false };
      if (open === 'hold') {
        if (kind === 'lot') await ask(api.POST('/api/v1/lots/{lot_id}/hold', { params: lot, body }));
        else await api.POST('/api/v1/batches/{batch_id}/hold', { params: batch, body });
      } else if (kind === 'lot') {
        await ask(api.POST('/api/v1/lots/{lot_id}/release', { params: lot, body: { why } }));
      } else {
        await api.POST('/api/v1/batches/{batch_id}/release', { params: batch, body: { why } });
      }
      [open, why] = ['', ''];
      await changed();
    });
  };

  const begin = (): Promise<void> =>
    attempt(
      async () => (drill = (await ask(api.POST('/api/v1/lots/{lot_id}/drills', { params: lot }))).data)
    );

  const end = (event: Event): void => {
    event.preventDefault();
    void attempt(async () => {
      const body = { found_g: Number(found.replace(',', '.')), missing: '' };
      const params = { path: { drill_id: drill!.id } };
      const { data } = await ask(api.POST('/api/v1/drills/{drill_id}/found', { params, body }));
      const minutes = Math.max(
        1,
        Math.round((Date.parse(data.ended_at) - Date.parse(data.begun_at)) / 60000)
      );
      const share = data.wanted_g ? (100 * (data.found_g ?? 0)) / data.wanted_g : 100;
      notices.say(
        `Drill: ${share.toFixed(1)} % found in ${minutes} min; the aim is 99.5 % within an hour, a rule of thumb`
      );
      [drill, found] = [null, ''];
    });
  };
</script>

<div class="acts no-print">
  {#if held}<button class="action" onclick={() => (open = 'release')}>Release</button>
  {:else}<button class="action" onclick={preview}>Hold it</button>{/if}
  {#if kind === 'lot' && !drill}<button class="action" onclick={begin}>Run a drill</button>{/if}
  <button class="action" onclick={() => window.print()}>Trace sheet</button>
  {#if drill}
    <form onsubmit={end}>
      <span>Drill: find and weigh every bag of it ({kilos(drill.wanted_g ?? 0)} by the book).</span>
      <label
        ><span class="sr-only">Found, g</span><input
          class="field num"
          required
          inputmode="decimal"
          placeholder="found, g"
          bind:value={found}
        /></label
      >
      <button class="action main">That is all</button>
    </form>
  {/if}
</div>

<Sheet open={open !== ''} title={open === 'hold' ? 'Hold it' : 'Release it'} onclose={() => (open = '')}>
  <form onsubmit={done}>
    {#if open === 'hold' && would}
      <p>
        With it go {would.batches.length
          ? `${would.batches.join(', ')}: ${would.bags} bags, ${kilos(would.left_g)} in the house`
          : 'no batches: none was drawn from it'}. Nothing of it can then be drawn or sent out.
      </p>
    {/if}
    <label><span>Why</span> <input class="field" required bind:value={why} /></label>
    <button class="action main">{open === 'hold' ? 'Hold it' : 'Release it'}</button>
  </form>
</Sheet>

<style>
  .acts,
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    margin: 0.5rem 0 0;
  }
</style>
