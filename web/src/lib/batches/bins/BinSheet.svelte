<!-- A bin: its name and place, what it holds at most and weighs empty. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';

  type Bin = Schemas['BinSeen'];
  const { bin, changed, onclose }: { bin: Bin | null; changed: (bins: Bin[]) => void; onclose: () => void } =
    $props();
  // svelte-ignore state_referenced_locally
  let [name, place] = $state([bin?.name ?? '', bin?.place ?? '']);
  // svelte-ignore state_referenced_locally
  let [capacity, tare] = $state([String(bin?.capacity_g ?? ''), String(bin?.tare_g ?? '')]);
  let clean = $state(true);
  const number = (text: string): number | null => (text.trim() ? Number(text.replace(',', '.')) : null);

  function save(archived = false): Promise<void> {
    return attempt(async () => {
      const body = {
        name: name.trim(),
        place,
        capacity_g: number(capacity),
        tare_g: number(tare),
        clean: clean && !bin,
        archived
      };
      const { data } = bin
        ? await ask(
            api.PUT('/api/v1/bins/{bin_id}', {
              params: { path: { bin_id: bin.id }, header: { 'If-Match': `"${bin.version}"` } },
              body
            })
          )
        : await ask(api.POST('/api/v1/bins', { body }));
      changed(data.items);
      onclose();
    });
  }
</script>

<Sheet open title={bin ? bin.name : 'A bin'} {onclose}>
  <form
    onsubmit={(e) => {
      e.preventDefault();
      void save();
    }}
  >
    <label><span>What stands on it</span><input class="field" required bind:value={name} /></label>
    <label><span>Where it stands</span><input class="field" bind:value={place} /></label>
    <label
      ><span>Holds at most, g</span><input
        class="field num"
        inputmode="decimal"
        bind:value={capacity}
      /></label
    >
    <label
      ><span>Weighs empty, g</span><input class="field num" inputmode="decimal" bind:value={tare} /></label
    >
    {#if !bin}<label class="tick"><input type="checkbox" bind:checked={clean} /> It is empty and clean</label
      >{/if}
    <div class="acts">
      <button class="action main">Save</button>
      {#if bin && bin.stands !== 'holds'}
        <button type="button" class="action quiet" onclick={() => save(true)}>Put away</button>
      {/if}
    </div>
  </form>
</Sheet>

<style>
  form {
    display: grid;
    gap: 0.5rem;
  }

  label {
    display: grid;
    gap: 0.1rem;
  }

  .tick {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 44px;
  }
</style>
