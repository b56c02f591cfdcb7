<!-- What a taster avoids: by allergy, by choice, coeliac disease; what stands in a sample of this table comes first. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask } from '../api/client';
  import { spaced } from './types';

  interface Avoids {
    allergies: readonly string[];
    by_choice: readonly string[];
    coeliac: boolean;
  }
  interface Props {
    avoids: Avoids;
    asked: readonly string[];
    onchange: (next: { allergies: string[]; by_choice: string[]; coeliac: boolean }) => void;
  }
  const { avoids, asked, onchange }: Props = $props();
  let known = $state.raw<readonly string[]>([]);
  const marks = $derived([
    ...asked.filter((a) => a !== 'gluten'),
    ...known.filter((k) => !asked.includes(k)),
    'gluten'
  ]);

  function choose(mark: string, way: string): void {
    onchange({
      coeliac: avoids.coeliac,
      allergies: [...avoids.allergies.filter((a) => a !== mark), ...(way === 'allergy' ? [mark] : [])],
      by_choice: [...avoids.by_choice.filter((a) => a !== mark), ...(way === 'choice' ? [mark] : [])]
    });
  }

  const wayOf = (mark: string): string =>
    avoids.allergies.includes(mark) ? 'allergy' : avoids.by_choice.includes(mark) ? 'choice' : '';

  onMount(async () => {
    known = (await ask(api.GET('/api/v1/tastings/words'))).data.marks;
  });
</script>

<fieldset>
  <legend class="small soft">Avoids. An allergy or coeliac disease is never lifted.</legend>
  <label class="coeliac"
    ><input
      type="checkbox"
      checked={avoids.coeliac}
      onchange={(e) =>
        onchange({
          allergies: [...avoids.allergies],
          by_choice: [...avoids.by_choice],
          coeliac: e.currentTarget.checked
        })}
    /> coeliac disease: what contains gluten or is not known to be tested</label
  >
  <div class="marks">
    {#each marks as mark (mark)}
      <label class:here={asked.includes(mark)}
        >{spaced(mark)}
        <select value={wayOf(mark)} onchange={(e) => choose(mark, e.currentTarget.value)}>
          <option value="">–</option>
          <option value="allergy">allergy</option>
          <option value="choice">by choice</option>
        </select></label
      >
    {/each}
  </div>
</fieldset>

<style>
  fieldset {
    border: 0;
    padding: 0;
    margin: 0;
  }

  .coeliac {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 40px;
  }

  .coeliac input {
    width: 20px;
    height: 20px;
    accent-color: var(--flax);
  }

  .marks {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
    gap: 0.25rem 1rem;
  }

  .marks label {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.5rem;
  }

  .here {
    font-weight: 600;
  }

  select {
    min-height: 34px;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }
</style>
