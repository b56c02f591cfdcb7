<!-- A bag of an earlier batch poured into this one: its code and so many grams; its parts count by their own lots. -->
<script lang="ts">
  import { api, ask } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { notices } from '../../ui/state/notices.svelte';
  import { loadBatch } from '../doing';
  import { grams, type Bag, type Batch } from '../types';

  const { batch, changed }: { batch: Batch; changed: (next: Batch) => void } = $props();
  let code = $state('');
  let mass = $state('');
  let key = crypto.randomUUID();

  /** The bag that a code names: its own, or the only one with anything in it where the code is the batch's. */
  async function found(): Promise<Bag | null> {
    const { data } = await ask(
      api.GET('/api/v1/batches/code', { params: { query: { typed: code.trim() } } })
    );
    const source = data.batch_id ? await loadBatch(data.batch_id) : null;
    const full = source?.bags.filter((b) => b.left_g > 0 && (data.bag ?? b.number) === b.number) ?? [];
    if (full.length === 1) return full[0]!;
    const which = full.map((b) => `${b.code} (${grams(b.left_g)} g)`).join(', ');
    const none = `${code.trim()} is no bag of this kitchen with anything in it`;
    notices.say(full.length ? `Which bag? ${which}` : none, true);
    return null;
  }

  async function pour(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      const bag = await found();
      if (!bag) return;
      const mass_g = mass.trim() ? Number(mass.replace(',', '.')) : bag.left_g;
      const params = { path: { batch_id: batch.id, key } };
      const body = { bag_id: bag.id, mass_g };
      changed((await ask(api.PUT('/api/v1/batches/{batch_id}/pours-in/{key}', { params, body }))).data);
      notices.say(`${grams(mass_g)} g of it are in, each part by its own lot`);
      [code, mass, key] = ['', '', crypto.randomUUID()];
    });
  }
</script>

<details class="no-print">
  <summary>Pour in what is left of an earlier batch</summary>
  <form onsubmit={pour}>
    <label class="grow"
      ><span>Code on the bag</span><input
        class="field"
        required
        autocomplete="off"
        bind:value={code}
      /></label
    >
    <label
      ><span>g</span><input
        class="field num"
        inputmode="decimal"
        placeholder="all of it"
        bind:value={mass}
      /></label
    >
    <button class="action">Pour it in</button>
  </form>
  <p class="small soft">
    It counts for its parts in their shares, with their own lots and dates: mixing makes no flour younger.
  </p>
</details>

<style>
  details {
    margin-top: 0.75rem;
  }

  summary {
    cursor: pointer;
  }

  form {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 0.5rem;
    margin: 0.4rem 0;
  }

  label {
    display: grid;
    font-size: var(--small);
    color: var(--soft);
  }

  .grow {
    flex: 1;
    min-width: 8rem;
  }

  .num.field {
    width: 6rem;
  }
</style>
