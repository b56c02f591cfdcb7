<!-- The starters that the kitchen keeps: fed, watched until they peak, put away; what that teaches of their speed. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { readNumber } from '../../ui/format';
  import Trouble from '../../ui/Trouble.svelte';
  import { lasting } from '../clock';
  import { workplace } from '../making';
  import Feedings from './Feedings.svelte';

  let items = $state.raw<Schemas['StarterOut'][] | null>(null);
  let zone = $state('UTC');
  let now = $state('');
  let trouble = $state('');
  let name = $state('');

  async function load(): Promise<void> {
    trouble = '';
    try {
      const place = await workplace();
      zone = place.zone || Intl.DateTimeFormat().resolvedOptions().timeZone;
      now = place.now;
      items = (await ask(api.GET('/api/v1/starters'))).data.items;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function add(): Promise<void> {
    const body = { name: name.trim(), school: 'liquid leaven' };
    items = (await ask(api.POST('/api/v1/starters', { body }))).data.items;
    name = '';
  }

  /** Notes a feeding of now: seed : flour : water in g, and how warm it stands. */
  async function feed(s: Schemas['StarterOut'], form: HTMLFormElement): Promise<void> {
    const given = new FormData(form);
    const number = (field: string) => readNumber(String(given.get(field) ?? ''));
    const [seed_g, flour_g, water_g, temp_c] = ['seed', 'flour', 'water', 'temp'].map(number);
    if (seed_g == null || flour_g == null || water_g == null || temp_c == null)
      throw new Error('A feeding wants seed, flour and water in g, and how warm it stands.');
    const params = { path: { starter_id: s.starter.id } };
    const body = { fed_at: now, seed_g, flour_g, water_g, temp_c, note: '' };
    items = (await ask(api.POST('/api/v1/starters/{starter_id}/feedings', { params, body }))).data.items;
    form.reset();
  }

  async function change(feeding_id: number, body: Schemas['FeedingChangeIn']): Promise<void> {
    const params = { path: { feeding_id } };
    items = (await ask(api.PUT('/api/v1/feedings/{feeding_id}', { params, body }))).data.items;
  }

  onMount(() => void load());
</script>

<div class="page">
  <div class="page-head"><h1>Starters</h1></div>
  {#if trouble}
    <Trouble say={trouble} again={load} />
  {:else if items}
    {#each items as s (s.starter.id)}
      <section aria-label={s.starter.name}>
        <h2>{s.starter.name}</h2>
        <p>
          {s.rest_days === null ? 'Never fed yet.' : `Rested ${lasting(24 * 60 * s.rest_days)}.`}
          <span class="soft">{s.say}</span>
        </p>
        <form
          onsubmit={(e) => {
            e.preventDefault();
            const form = e.currentTarget;
            void attempt(() => feed(s, form));
          }}
        >
          <label>Fed now: seed <input class="num" name="seed" inputmode="decimal" /> g</label>
          <label>flour <input class="num" name="flour" inputmode="decimal" /> g</label>
          <label>water <input class="num" name="water" inputmode="decimal" /> g</label>
          <label>at <input class="num" name="temp" inputmode="decimal" /> °C</label>
          <button class="action">Note it</button>
        </form>
        <Feedings
          feedings={s.starter.feedings}
          {zone}
          {now}
          change={(id, body) => attempt(() => change(id, body))}
        />
      </section>
    {:else}
      <p class="none">
        No starter yet. Give one a name, note what it is fed and when it peaks: plans then go by its own
        speed.
      </p>
    {/each}
    <form
      class="add"
      onsubmit={(e) => {
        e.preventDefault();
        void attempt(add);
      }}
    >
      <label>A new starter <input maxlength="120" required bind:value={name} /></label>
      <button class="action" disabled={!name.trim()}>Keep it</button>
    </form>
    <p class="small">Lay the lid on a jar, never screw it: it can burst.</p>
  {:else}
    <p class="soft" role="status">Looking into the jars …</p>
  {/if}
</div>

<style>
  section,
  .none {
    padding: 0.75rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  form {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.35rem 1rem;
    margin: 0.35rem 0;
  }

  .add {
    margin-top: 1rem;
  }

  input {
    min-height: 36px;
    border: 1px solid var(--line);
    background: transparent;
    padding: 0 0.4rem;
  }

  .num {
    width: 4.5rem;
  }
</style>
