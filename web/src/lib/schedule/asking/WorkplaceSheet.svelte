<!-- Where the kitchen works, asked once: hours, people, ovens, temperatures. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { api, ask, wordsOf } from '../../api/client';
  import Sheet from '../../ui/Sheet.svelte';
  import { schools } from './schools.svelte';
  import type { Workplace } from '../types';

  interface Props {
    place: Workplace;
    open: boolean;
    onclose: () => void;
    onsaved: (place: Workplace) => void;
  }
  const { place, open, onclose, onsaved }: Props = $props();
  let kitchen = $state(untrack(() => structuredClone(place.kitchen)));
  let trouble = $state('');

  $effect(() => {
    if (!open) return;
    kitchen = structuredClone(place.kitchen);
    void schools.load();
  });

  function number(text: string): number | null {
    const value = Number(text.replace(',', '.'));
    return text.trim() === '' || !Number.isFinite(value) ? null : value;
  }

  async function save(): Promise<void> {
    trouble = '';
    try {
      const zone = place.zone || Intl.DateTimeFormat().resolvedOptions().timeZone;
      const params = { header: { 'If-Match': `"${place.version}"` } };
      const { data } = await ask(api.PUT('/api/v1/workplace', { params, body: { zone, kitchen } }));
      onsaved(data);
    } catch (error) {
      trouble = wordsOf(error);
    }
  }
</script>

<Sheet {open} title="The kitchen" {onclose}>
  <form
    onsubmit={(e) => {
      e.preventDefault();
      void save();
    }}
  >
    <p>
      People are up
      {#each kitchen.hours ?? [] as span, n (n)}
        <input type="time" aria-label="Up from" bind:value={span[0]} /> to
        <input type="time" aria-label="Up to" bind:value={span[1]} />
        {#if (kitchen.hours?.length ?? 0) > 1}<button
            type="button"
            class="link"
            onclick={() => (kitchen.hours = kitchen.hours?.filter((_, k) => k !== n))}>without</button
          >{/if}
      {/each}
      <button
        type="button"
        class="link"
        onclick={() => (kitchen.hours = [...(kitchen.hours ?? []), ['17:00', '22:00']])}>and again</button
      >
    </p>
    <p>
      <label
        >People <input
          class="num"
          inputmode="numeric"
          value={kitchen.people}
          onchange={(e) => (kitchen.people = number(e.currentTarget.value) ?? 1)}
        /></label
      >
      <label
        >mixers <input
          class="num"
          inputmode="numeric"
          value={kitchen.mixers}
          onchange={(e) => (kitchen.mixers = number(e.currentTarget.value) ?? 0)}
        /></label
      >
    </p>
    <p>
      <label
        >Room <input
          class="num"
          inputmode="decimal"
          value={kitchen.room_c}
          onchange={(e) => (kitchen.room_c = number(e.currentTarget.value) ?? 22)}
        /> °C</label
      >
      <label
        >at night <input
          class="num"
          inputmode="decimal"
          placeholder="the same"
          value={kitchen.night_c ?? ''}
          onchange={(e) => (kitchen.night_c = number(e.currentTarget.value))}
        /> °C</label
      >
      <label
        >fridge <input
          class="num"
          inputmode="decimal"
          value={kitchen.fridge_c}
          onchange={(e) => (kitchen.fridge_c = number(e.currentTarget.value) ?? 4)}
        /> °C</label
      >
      <label
        >warm box <input
          class="num"
          inputmode="decimal"
          placeholder="none"
          value={kitchen.box_c ?? ''}
          onchange={(e) => (kitchen.box_c = number(e.currentTarget.value))}
        /> °C</label
      >
    </p>
    <p>
      <label
        >Height above the sea <input
          class="num"
          inputmode="decimal"
          placeholder="not said"
          value={kitchen.altitude_m ?? ''}
          onchange={(e) => (kitchen.altitude_m = number(e.currentTarget.value))}
        /> m</label
      >
      <span class="small soft">Water boils cooler up high: no core reaches more.</span>
    </p>
    <table class="lines">
      <thead
        ><tr><th>Oven</th><th>kind</th><th>levels</th><th><span class="sr-only">Change</span></th></tr></thead
      >
      <tbody>
        {#each kitchen.ovens ?? [] as oven, n (n)}
          <tr>
            <td><input aria-label="Name of the oven" bind:value={oven.id} /></td>
            <td>
              <select aria-label="Kind of oven" bind:value={oven.kind}>
                {#each Object.entries(schools.found?.ovens ?? {}) as [kind, name] (kind)}<option value={kind}
                    >{name}</option
                  >{/each}
              </select>
            </td>
            <td
              ><input
                class="num"
                aria-label="Levels"
                value={oven.levels ?? ''}
                placeholder="usual"
                onchange={(e) => (oven.levels = number(e.currentTarget.value))}
              /></td
            >
            <td
              ><button
                type="button"
                class="link"
                onclick={() => (kitchen.ovens = kitchen.ovens?.filter((_, k) => k !== n))}>without</button
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <p>
      <button
        type="button"
        class="link"
        onclick={() =>
          (kitchen.ovens = [
            ...(kitchen.ovens ?? []),
            { id: `oven ${(kitchen.ovens?.length ?? 0) + 1}`, kind: 'electric', levels: null }
          ])}>Add an oven</button
      >
    </p>
    {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
    <p><button class="action main">Save</button></p>
  </form>
</Sheet>

<style>
  form {
    display: grid;
    gap: 0.75rem;
  }

  p {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.35rem 1rem;
  }

  input,
  select {
    min-height: 34px;
    padding: 0 0.35rem;
    border: 1px solid var(--line);
    background: transparent;
  }

  .num {
    width: 4.5rem;
  }

  option {
    background: var(--sheet);
    color: var(--ink);
  }
</style>
