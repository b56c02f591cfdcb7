<!-- The formula bench: the lines on the left; the balance of water and what is judged on the right. -->
<script lang="ts">
  import DocumentPage from '../../document/DocumentPage.svelte';
  import { serverOf } from '../../document/server';
  import { formulas } from '../reference.svelte';
  import type { Content } from '../types';
  import { FormulaBench } from './formula.svelte';
  import FormulaSheet from './FormulaSheet.svelte';

  const { params }: { params: { id: string } } = $props();

  async function make(id: number): Promise<FormulaBench> {
    const [found] = await Promise.all([serverOf<Content>('formulas').get(id), formulas.load()]);
    const made = new FormulaBench(found);
    await made.start();
    return made;
  }
</script>

<DocumentPage id={params.id} noun="formula" {make}>
  {#snippet sheet(bench: FormulaBench)}<FormulaSheet {bench} />{/snippet}
</DocumentPage>
