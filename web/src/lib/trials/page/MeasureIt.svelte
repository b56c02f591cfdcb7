<!-- A measure taken by hand: choose how, give the numbers, see what they come to with its ±, note it. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import { notices } from '../../ui/state/notices.svelte';
  import { noteReading, numbersIn } from '../noting';
  import type { Trial } from '../types';

  interface Props {
    trial: Trial;
    open: boolean;
    onclose: () => void;
    changed: () => Promise<void>;
  }
  const { trial, open, onclose, changed }: Props = $props();
  let ways = $state.raw<Schemas['MeasureWayOut'][]>([]);
  let name = $state('seeds');
  let typed = $state<Record<string, string>>({});
  let arm = $state('');
  let day = $state(0);
  let taken = $state.raw<Schemas['TakenOut'] | null>(null);
  let wrong = $state('');
  const way = $derived(ways.find((w) => w.name === name));

  async function look(): Promise<void> {
    // A crust is read off a photo of the bake, where the photo is.
    ways = (await ask(api.GET('/api/v1/measures'))).data.items.filter((w) => w.name !== 'light');
  }

  async function work(): Promise<void> {
    taken = null;
    wrong = '';
    const numbers: Record<string, number[]> = {};
    for (const a of way?.asks ?? []) {
      const found = numbersIn(typed[a.name] ?? '');
      if (found === null) {
        wrong = `${a.label}: give numbers alone, in ${a.unit || 'whole pieces'}.`;
        return;
      }
      if (!found.length && a.usual === null) return;
      numbers[a.name] = found;
    }
    try {
      taken = (await ask(api.POST('/api/v1/measures', { body: { way: name, numbers } }))).data;
    } catch (error) {
      wrong = wordsOf(error);
    }
  }

  function choose(): void {
    typed = {};
    taken = null;
    wrong = '';
  }

  async function note(): Promise<void> {
    if (!taken || taken.value === null) return;
    const { quantity, value, sd, n, method } = taken;
    const body = { quantity, value, sd, n, method, arm, day, replaces: '' };
    await noteReading(trial.id, body);
    notices.say(`Noted: ${way?.label.toLowerCase()}, ${figure(value, 1)} ${way?.unit}.`);
    choose();
    onclose();
    await changed();
  }

  $effect(() => {
    if (open && !ways.length) void attempt(look);
  });
</script>

<Sheet {open} title="Measure it" {onclose}>
  <form
    onsubmit={(e) => {
      e.preventDefault();
      void attempt(note);
    }}
  >
    <label
      >What and how
      <select bind:value={name} onchange={choose}
        >{#each ways as w (w.name)}<option value={w.name}>{w.label}</option>{/each}</select
      ></label
    >
    {#if way}
      <p class="small soft how">{way.how}</p>
      <div class="asks">
        {#each way.asks as a (a.name)}
          <label
            >{a.label}
            {#if a.unit}<span class="soft small">{a.unit}{a.several ? ', spaces between' : ''}</span>{/if}
            <input
              class="num"
              inputmode={a.several ? 'text' : 'decimal'}
              placeholder={a.usual === null ? '' : String(a.usual)}
              value={typed[a.name] ?? ''}
              oninput={(e) => {
                typed[a.name] = e.currentTarget.value;
                void work();
              }}
            />
          </label>
        {/each}
        {#if way.quantity === 'compression_pct'}
          <label
            >Day <select bind:value={day}
              >{#each [0, 1, 2, 3] as d (d)}<option value={d}>{d === 0 ? 'of the bake' : d}</option
                >{/each}</select
            ></label
          >
        {/if}
        {#if trial.arms.length}
          <label
            >Of <select bind:value={arm}
              ><option value="">the whole dough</option>{#each trial.arms as a (a.name)}<option
                  >{a.name}</option
                >{/each}</select
            ></label
          >
        {/if}
      </div>
      <p class="found" role="status">
        {#if wrong}<span class="held">{wrong}</span>
        {:else if taken && taken.value !== null}
          <b class="num">{figure(taken.value, taken.value >= 50 ? 0 : 1)} {way.unit}</b>
          {#if taken.sd}<span class="soft"
              >± {figure(1.96 * taken.sd, taken.sd >= 5 ? 0 : 1)}, 95 of 100 times</span
            >{/if}
          {#if taken.say}<span class="small">{taken.say}</span>{/if}
        {:else if taken}<span class="held">{taken.say}</span>
        {:else}<span class="soft">What it comes to stands here as you type.</span>{/if}
      </p>
      <button class="action main" disabled={!taken || taken.value === null}>Note it</button>
    {/if}
  </form>
</Sheet>

<style>
  form,
  .asks {
    display: grid;
    gap: 0.6rem;
  }

  .asks {
    grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
    align-items: end;
  }

  label {
    display: block;
  }

  input,
  select {
    display: block;
    width: 100%;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }

  .how {
    margin: 0;
  }

  .found {
    min-height: 2.6rem;
    margin: 0;
  }

  .held {
    color: var(--held);
  }
</style>
