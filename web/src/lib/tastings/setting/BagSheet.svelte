<!-- A bought product to taste beside one's own: what its bag says of allergens and gluten, and its lot. -->
<script lang="ts">
  import Sheet from '../../ui/Sheet.svelte';
  import Marks from './Marks.svelte';
  import type { SampleIn } from '../types';

  interface Props {
    open: boolean;
    asked: readonly string[];
    onclose: () => void;
    add: (sample: Omit<SampleIn, 'number'>) => void;
  }
  const { open, asked, onclose, add }: Props = $props();
  let name = $state('');
  let lot = $state('');
  let marks = $state<string[]>([]);
  let complete = $state(false);
  let gluten = $state<NonNullable<SampleIn['gluten']>>('unknown');

  function done(): void {
    add({
      kind: 'bag',
      about: null,
      name: name.trim(),
      because: 'bought',
      lot: lot.trim(),
      marks,
      complete,
      gluten
    });
    name = lot = '';
    marks = [];
    complete = false;
    gluten = 'unknown';
    onclose();
  }
</script>

<Sheet {open} title="A bought one" {onclose}>
  {#if open}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        done();
      }}
    >
      <label>What it is <input bind:value={name} required maxlength="120" placeholder="market loaf" /></label>
      <label>Lot, from its bag <input bind:value={lot} maxlength="80" /></label>
      <Marks {marks} first={asked} onchange={(next) => (marks = next)} legend="Contains, as its bag says" />
      <label class="tick"
        ><input type="checkbox" bind:checked={complete} /> the whole list of its bag was read</label
      >
      <label
        >Gluten, as its bag says
        <select bind:value={gluten}>
          <option value="unknown">not known</option>
          <option value="contains">contains gluten</option>
          <option value="known">says gluten-free by the law where it was sold</option>
        </select></label
      >
      <button class="action main" disabled={!name.trim()}>Put it on the table</button>
    </form>
  {/if}
</Sheet>

<style>
  form {
    display: grid;
    gap: 0.7rem;
    justify-items: start;
  }

  input:not([type]),
  select {
    display: block;
    width: 18rem;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }

  .tick {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 40px;
  }
</style>
