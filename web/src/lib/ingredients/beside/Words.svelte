<!-- What is said of flours in words: taste, allergens, gluten, usual most, look-alikes. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure, spaced } from '../../ui/format';

  const { flours }: { flours: readonly Schemas['SideFlourOut'][] } = $props();
  type Flour = Schemas['SideFlourOut'];
  const RISKS: Record<string, string> = {
    'high-needs-certified': 'often carried in: needs a certified supply',
    medium: 'can be carried in: ask for a test',
    low: 'seldom carried in'
  };

  function gluten(f: Flour): string {
    if (f.gluten === 'contains') return 'contains gluten';
    const risk = RISKS[f.gluten_risk];
    const value =
      f.gluten === 'known' ? `up to ${figure(f.gluten_mg_per_kg, 0)} mg/kg as declared or tested` : 'unknown';
    return risk ? `${value}; ${risk}` : value;
  }

  const rows: { label: string; say: (f: Flour) => string }[] = [
    { label: 'Tastes', say: (f) => f.flavour_words.join(', ') || 'not noted' },
    {
      label: 'Contains',
      say: (f) => [...f.allergens, ...f.watch].map(spaced).join(', ') || 'none recorded'
    },
    { label: 'Gluten', say: gluten },
    { label: 'Why no more', say: (f) => (f.usual_max_pct === null ? 'no usual most' : f.usual_max_reason) },
    {
      label: 'Taken for',
      say: (f) => f.look_alikes.map((l) => l.name.toLowerCase()).join(', ') || 'nothing else'
    }
  ];
</script>

<tbody>
  <tr class="group"><th colspan={flours.length + 1} scope="rowgroup">In words</th></tr>
  {#each rows as row (row.label)}
    <tr>
      <th scope="row">{row.label}</th>
      {#each flours as flour (flour.slug)}<td class="small">{row.say(flour)}</td>{/each}
    </tr>
  {/each}
</tbody>

<style>
  .group th {
    padding-top: 0.6rem;
    border-bottom-color: var(--ink);
    font-weight: 600;
  }
</style>
