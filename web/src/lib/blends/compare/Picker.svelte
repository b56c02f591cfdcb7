<!-- Picks a blend, and its draft or a kept revision. -->
<script lang="ts">
  import type { BlendSummary, BlendOut } from '../../api/client';

  interface Props {
    label: string;
    blends: readonly BlendSummary[];
    chosen: { blend_id: number; revision: number };
    blend?: BlendOut | undefined;
    onpick: (blend_id: number, revision: number) => void;
  }
  const { label, blends, chosen, blend, onpick }: Props = $props();
</script>

<span class="pick">
  <select
    class="field"
    aria-label="{label} blend"
    value={chosen.blend_id}
    onchange={(e) => onpick(Number(e.currentTarget.value), 0)}
  >
    {#each blends as b (b.head.id)}<option value={b.head.id}>{b.head.name}</option>{/each}
  </select>
  <select
    class="field"
    aria-label="{label}: on the bench or a revision"
    value={chosen.revision}
    onchange={(e) => onpick(chosen.blend_id, Number(e.currentTarget.value))}
  >
    <option value={0}>on the bench</option>
    {#each blend?.revisions ?? [] as r (r.number)}<option value={r.number}>revision {r.number}</option>{/each}
  </select>
</span>

<style>
  .pick {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }

  select {
    max-width: 16rem;
  }
</style>
