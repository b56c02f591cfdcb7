<!-- A new ingredient of the kitchen's own, empty or as a copy. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import Sheet from '../../ui/Sheet.svelte';

  interface Props {
    open: boolean;
    /** The ingredient to copy; without one, it starts empty. */
    from?: { slug: string; name: string } | null;
    onclose: () => void;
  }
  const { open, from = null, onclose }: Props = $props();
  let name = $state('');
  let role = $state('whole_grain');
  let wrong = $state('');

  async function add(event: Event): Promise<void> {
    event.preventDefault();
    wrong = '';
    try {
      const body = from ? { name, copy_of: from.slug } : { name, role: role as 'starch' };
      const { data } = await ask(api.POST('/api/v1/ingredients', { body }));
      name = '';
      onclose();
      await push(`/ingredients/${data.slug}`);
    } catch (error) {
      wrong = wordsOf(error);
    }
  }
</script>

<Sheet {open} title={from ? `Copy ${from.name}` : 'A new ingredient'} {onclose}>
  <form onsubmit={add}>
    <p class="soft">
      {from
        ? 'The copy is your own: it starts with the numbers that count now, and everything in it can be changed.'
        : 'It starts with nothing known. Add a label, a bench test or numbers of your own next.'}
    </p>
    <p class="line">
      <label for="new-name">Called</label>
      <input id="new-name" class="field grow" maxlength="120" required bind:value={name} />
    </p>
    {#if !from}
      <p class="line">
        <label for="new-role">it is a</label>
        <select id="new-role" class="field" bind:value={role}>
          {#each kitchen.reference?.roles ?? [] as r (r.name)}<option value={r.name}>{r.label}</option>{/each}
        </select>
      </p>
    {/if}
    {#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
    <p class="line end"><button class="action main">{from ? 'Make the copy' : 'Add it'}</button></p>
  </form>
</Sheet>

<style>
  .line {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    margin-top: 0.75rem;
  }

  .grow {
    flex: 1;
  }

  .end {
    justify-content: flex-end;
  }
</style>
