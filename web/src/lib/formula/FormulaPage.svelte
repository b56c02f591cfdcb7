<!-- The formula bench: the lines on the left; the balance of water and what is judged on the right. -->
<script lang="ts">
  import { onDestroy } from 'svelte';
  import { api, ask } from '../api/client';
  import { Opening } from '../bench/opening.svelte';
  import { loadOn } from '../ui/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { FormulaBench } from './formula.svelte';
  import FormulaSheet from './FormulaSheet.svelte';
  import { formulas } from './reference.svelte';

  const { params }: { params: { id: string } } = $props();
  const opening = new Opening(async (formula_id) => {
    const params = { path: { formula_id } };
    const [found] = await Promise.all([
      ask(api.GET('/api/v1/formulas/{formula_id}', { params })),
      formulas.load()
    ]);
    const made = new FormulaBench(found.data);
    await made.start();
    return made;
  });

  loadOn(
    () => params.id,
    (id) => opening.load(id)
  );
  onDestroy(() => opening.close());
</script>

<svelte:window onpagehide={() => opening.bench?.save.leave()} />

{#if opening.trouble}
  <Trouble say={opening.trouble} again={() => opening.load(params.id)} />
{:else if opening.bench}
  {#key opening.bench}<FormulaSheet bench={opening.bench} />{/key}
{:else}
  <p class="page soft" role="status">Putting the formula on the bench …</p>
{/if}
