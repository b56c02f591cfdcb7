<!-- The lines that two contents of a formula do not share, side by side. -->
<script lang="ts">
  import { mass } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { BLEND, MOMENTS, type Content, type FormulaLine } from '../types';

  const { before, after }: { before: Content; after: Content } = $props();
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const said = (line: FormulaLine, content: Content): string => {
    const what = line.ingredient === BLEND ? content.blend?.name || 'the blend' : line.ingredient;
    return `${mass(line.mass_g, unit)} ${what}, ${MOMENTS[line.when]}${line.note ? ` (${line.note})` : ''}`;
  };
  const was = $derived(before.lines.map((l) => said(l, before)));
  const is = $derived(after.lines.map((l) => said(l, after)));
  const only = (these: string[], those: string[]): string[] => these.filter((l) => !those.includes(l));
  const gone = $derived(only(was, is));
  const come = $derived(only(is, was));
</script>

{#if gone.length || come.length}
  <table class="lines">
    <thead><tr><th scope="col">before</th><th scope="col">after</th></tr></thead>
    <tbody>
      {#each { length: Math.max(gone.length, come.length) }, n}
        <tr><td>{gone[n] ?? ''}</td><td>{come[n] ?? ''}</td></tr>
      {/each}
    </tbody>
  </table>
{:else}
  <p class="soft">The lines are the same.</p>
{/if}
