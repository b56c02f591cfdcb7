<!-- One who comes late: a seat with the order that spreads best; what they must not have is left out from the first. -->
<script lang="ts">
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import Avoiding from '../Avoiding.svelte';
  import { comeLate, type Loaded } from '../doing';
  import type { Tasting } from '../types';

  interface Props {
    tasting: Tasting;
    open: boolean;
    onclose: () => void;
    changed: (next: Loaded) => void;
  }
  const { tasting, open, onclose, changed }: Props = $props();
  let name = $state('');
  let avoids = $state({ allergies: [] as string[], by_choice: [] as string[], coeliac: false });

  async function add(): Promise<void> {
    changed(await comeLate(tasting.id, { name: name.trim(), ...avoids }));
    name = '';
    avoids = { allergies: [], by_choice: [], coeliac: false };
    onclose();
  }
</script>

<Sheet {open} title="Somebody comes late" {onclose}>
  {#if open}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        void attempt(add);
      }}
    >
      <label>Name <input bind:value={name} maxlength="80" placeholder="empty: asked what they avoid" /></label
      >
      <Avoiding {avoids} asked={tasting.asked_about} onchange={(next) => (avoids = next)} />
      <button class="action main">Lay a seat</button>
    </form>
  {/if}
</Sheet>

<style>
  form {
    display: grid;
    gap: 0.8rem;
    justify-items: start;
  }

  input {
    display: block;
    width: 18rem;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: transparent;
  }
</style>
