<!-- Allergens and watched things to tick; those that stand on this table come first. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask } from '../../api/client';
  import { spaced } from '../types';

  interface Props {
    marks: readonly string[];
    first: readonly string[];
    legend: string;
    onchange: (next: string[]) => void;
  }
  const { marks, first, legend, onchange }: Props = $props();
  let known = $state.raw<readonly string[]>([]);
  const offered = $derived([...new Set([...first.filter((m) => m !== 'gluten'), ...known])]);

  onMount(async () => {
    known = (await ask(api.GET('/api/v1/tastings/words'))).data.marks;
  });
</script>

<fieldset>
  <legend class="small soft">{legend}</legend>
  {#each offered as mark (mark)}
    <label
      ><input
        type="checkbox"
        checked={marks.includes(mark)}
        onchange={(e) =>
          onchange(e.currentTarget.checked ? [...marks, mark] : marks.filter((m) => m !== mark))}
      />
      {spaced(mark)}</label
    >
  {/each}
</fieldset>

<style>
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
    border: 0;
    padding: 0;
    margin: 0;
  }

  label {
    display: flex;
    gap: 0.35rem;
    align-items: center;
    min-height: 32px;
  }
</style>
