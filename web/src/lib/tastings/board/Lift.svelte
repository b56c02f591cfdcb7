<!-- Lifts an avoidance by choice: by the taster's own name and why; kept in the log and on the plating sheet. -->
<script lang="ts">
  import { attempt } from '../../ui/state/attempt';
  import { liftAt, type Loaded } from '../doing';
  import type { Mat, Tasting } from '../types';

  interface Props {
    tasting: Tasting;
    mat: Mat;
    sample: number;
    changed: (next: Loaded) => void;
  }
  const { tasting, mat, sample, changed }: Props = $props();
  let open = $state(false);
  let name = $state('');
  let why = $state('');

  async function lift(): Promise<void> {
    changed(await liftAt(tasting.id, mat.number, { sample, name, why }));
    open = false;
  }
</script>

{#if open}
  <form
    onsubmit={(e) => {
      e.preventDefault();
      void attempt(lift);
    }}
  >
    <label
      >{mat.name || 'The taster'} types their name <input bind:value={name} maxlength="80" required /></label
    >
    <label>and why <input bind:value={why} maxlength="300" required /></label>
    <button class="action" disabled={!name.trim() || !why.trim()}>Lift it</button>
  </form>
{:else}
  <button class="action" onclick={() => (open = true)}
    >{mat.name || 'The taster'} wants it all the same …</button
  >
{/if}

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: end;
  }

  input {
    display: block;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: var(--sheet);
  }
</style>
