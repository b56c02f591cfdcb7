<!-- What the shelf shows, as a sentence with blanks. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import { bases } from './bases';
  import Choice from '../../ui/Choice.svelte';
  import type { ShelfList } from './shelf.svelte';

  interface Props {
    list: ShelfList;
    choices: Schemas['ShelfChoicesOut'];
  }
  const { list, choices }: Props = $props();
  const w = $derived(list.wanted);
  const roles = $derived(kitchen.reference?.roles ?? []);
  const marks = $derived(kitchen.reference?.allergens ?? []);
  const columns = $derived(
    choices.columns.map((c) => ({ ...c, hint: '', group: GROUPS[c.group] ?? c.group }))
  );
  const GROUPS: Record<string, string> = { composition: 'In it', dough: 'In dough', bin: 'In the bin' };
  const shown = $derived(list.view.columns.length ? list.view.columns : choices.default_columns);
  const states = [
    { name: 'any', label: 'in a bin or not' },
    { name: 'in', label: 'in a bin' },
    { name: 'own', label: 'your own' },
    { name: 'away', label: 'put away' }
  ];
  const state = $derived(w.archived ? 'away' : w.own ? 'own' : w.in_stock ? 'in' : 'any');

  function setState(name: string | undefined): void {
    list.want({ in_stock: name === 'in', own: name === 'own', archived: name === 'away' });
  }
</script>

<p class="sentence">
  Show
  <Choice
    label="Kinds"
    things="kinds"
    none="every kind"
    options={roles}
    chosen={w.roles}
    onchange={(roles) => list.want({ roles })}
    after=","
  />
  <Choice label="Where" none="" single options={states} chosen={[state]} onchange={(c) => setState(c[0])} />,
  without
  <Choice
    label="Without"
    none="anything left out"
    options={marks}
    chosen={w.without}
    onchange={(without) => list.want({ without })}
    after=","
  /> fit for
  <Choice
    label="Diet"
    none="any diet"
    joined="and"
    options={choices.diets.map((d) => ({ name: d.name, label: d.label, hint: d.basis }))}
    chosen={w.diets}
    onchange={(diets) => list.want({ diets })}
    after=","
  /> that in dough are
  <Choice
    label="In dough"
    none="of any sort"
    joined="and"
    options={choices.traits.map((t) => ({ name: t.name, label: t.label, hint: t.basis }))}
    chosen={w.traits}
    onchange={(traits) => list.want({ traits })}
    after="."
  /> Numbers for
  <Choice
    label="Numbers for"
    none=""
    single
    options={bases(kitchen.settings)}
    chosen={[list.view.basis]}
    onchange={(c) => list.show({ basis: c[0] ?? '100g' })}
    after=","
  /> in
  <Choice
    label="Columns"
    things="columns"
    none="the usual columns"
    options={columns}
    chosen={shown}
    most={12}
    onchange={(columns) => list.show({ columns })}
    after="."
  />
  {#if list.filtered}<button class="link small" onclick={() => list.forget()}>Show all again</button>{/if}
</p>

<style>
  .sentence {
    padding: 0.5rem 0;
    line-height: 1.75;
  }
</style>
