<!-- The kitchen's settings: whose cups, which units, what currency. -->
<script lang="ts">
  import { wordsOf, type Schemas } from '../api/client';
  import { figure } from '../ui/format';
  import { kitchen } from '../app/kitchen.svelte';

  import Ahead from './Ahead.svelte';
  import Words from './Words.svelte';

  type Settings = Schemas['SettingsIn'];
  let said = $state('');
  let wrong = $state('');
  const s = $derived(kitchen.settings as Settings | null);

  const choices: { key: keyof Settings; label: string; options: [string, string][] }[] = [
    {
      key: 'mass_unit',
      label: 'Mass is shown in',
      options: [
        ['g', 'grams'],
        ['oz', 'ounces']
      ]
    },
    {
      key: 'energy_unit',
      label: 'Energy is shown in',
      options: [
        ['kj', 'kilojoules'],
        ['kcal', 'kilocalories']
      ]
    },
    {
      key: 'temp_unit',
      label: 'Temperature is shown in',
      options: [
        ['c', '°C'],
        ['f', '°F']
      ]
    },
    {
      key: 'cup',
      label: 'A cup is',
      options: [
        ['metric', 'metric, 250 mL'],
        ['us', 'US, 236.6 mL'],
        ['imperial', 'Imperial, 284 mL']
      ]
    },
    {
      key: 'binder_school',
      label: 'Binder school',
      options: [
        ['by-moisture', 'psyllium in wet and yeasted doughs, a gum in dry ones'],
        ['gum', 'a gum in everything'],
        ['psyllium', 'psyllium in everything'],
        ['gels', 'seed gels'],
        ['none', 'no binder at all']
      ]
    },
    {
      key: 'thickener_school',
      label: 'A sauce is thickened',
      options: [
        ['by-power', 'each starch by its own power'],
        ['two-for-one', 'tapioca two for one of corn starch']
      ]
    },
    {
      key: 'tablespoon',
      label: 'A tablespoon is',
      options: [
        ['metric', 'metric, 15 mL'],
        ['us', 'US, 14.8 mL'],
        ['imperial', 'Imperial, 17.8 mL'],
        ['australian', 'Australian, 20 mL']
      ]
    }
  ];

  async function set(key: keyof Settings, value: string | number): Promise<void> {
    wrong = '';
    try {
      await kitchen.save({ [key]: value } as Partial<Settings>);
      said = 'Saved.';
    } catch (error) {
      said = '';
      wrong = wordsOf(error);
    }
  }

  function number(
    key: 'store_temp_c' | 'serving_g',
    text: string,
    inside = (shown: number): number => shown
  ): void {
    const value = Number(text.replace(',', '.'));
    if (text.trim() && Number.isFinite(value)) void set(key, inside(value));
    else wrong = `“${text}” is not a number.`;
  }

  const fahrenheit = $derived(s?.temp_unit === 'f');
  const storeTemp = $derived(fahrenheit ? ((s?.store_temp_c ?? 0) * 9) / 5 + 32 : s?.store_temp_c);
  const inCelsius = (shown: number): number => (fahrenheit ? ((shown - 32) * 5) / 9 : shown);
</script>

{#if s}
  <div class="page">
    <h1>The kitchen</h1>
    <p class="soft">Inside, everything is kept in grams and °C. This is how it is shown.</p>
    <dl>
      <dt><label for="kitchen-name">Name</label></dt>
      <dd>
        <input
          id="kitchen-name"
          class="field"
          maxlength="120"
          value={s.name}
          onchange={(e) => set('name', e.currentTarget.value)}
        />
      </dd>
      {#each choices as choice (choice.key)}
        <dt><label for="set-{choice.key}">{choice.label}</label></dt>
        <dd>
          <select
            id="set-{choice.key}"
            class="field"
            value={String(s[choice.key])}
            onchange={(e) => set(choice.key, e.currentTarget.value)}
          >
            {#each choice.options as [value, label] (value)}<option {value}>{label}</option>{/each}
          </select>
        </dd>
      {/each}
      <dt><label for="currency">Currency, as you write it</label></dt>
      <dd>
        <input
          id="currency"
          class="field short"
          maxlength="8"
          value={s.currency}
          onchange={(e) => set('currency', e.currentTarget.value)}
        />
      </dd>
      <dt><label for="serving">Own serving of dry mix</label></dt>
      <dd>
        <input
          id="serving"
          class="field num short"
          inputmode="decimal"
          value={s.serving_g}
          onchange={(e) => number('serving_g', e.currentTarget.value)}
        /> g
      </dd>
      <dt><label for="temp">The store is at</label></dt>
      <dd>
        <input
          id="temp"
          class="field num short"
          inputmode="decimal"
          value={figure(storeTemp, 0)}
          onchange={(e) => number('store_temp_c', e.currentTarget.value, inCelsius)}
        />
        {fahrenheit ? '°F' : '°C'}
      </dd>
    </dl>
    <p role="status" class="passes">{said}</p>
    {#if wrong}<p role="alert" class="held">{wrong}</p>{/if}
    <Ahead />
    <Words />
    <h2 class="mt-4">The whole kitchen</h2>
    <p class="small">
      <a href="/api/v1/kitchen/archive" download>All of it in one file</a> (ZIP of open files, with every lot,
      blend, bake and batch): to leave with, or to put back with
      <kbd>fallow-sieve restore FILE.zip --db NEW.db</kbd>, which keeps the kitchen of before beside it.
    </p>
    <p class="mt-4 small"><a href="#/method">How every number is worked out</a></p>
  </div>
{/if}

<style>
  dl {
    display: grid;
    grid-template-columns: max-content minmax(0, 1fr);
    align-items: center;
    gap: 0.6rem 1.5rem;
    margin: 1rem 0;
  }

  .short {
    width: 6rem;
  }

  @media (max-width: 600px) {
    dl {
      grid-template-columns: minmax(0, 1fr);
      gap: 0.2rem;
    }

    dd {
      margin-bottom: 0.6rem;
    }
  }
</style>
