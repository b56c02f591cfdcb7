<!-- A small column for lists. -->
<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';
  import Layers from './Layers.svelte';

  interface Props {
    layers: readonly { ingredient: string; role: string; mix_pct: number }[];
    height?: number;
    width?: number;
  }
  const { layers, height = 64, width = 26 }: Props = $props();
  const pieces = $derived(
    layers
      .map((l) => ({ slug: l.ingredient, role: l.role, share: l.mix_pct }))
      .sort((a, b) => kitchen.roleOrder(a.role) - kitchen.roleOrder(b.role))
  );
</script>

<svg class="mini" {width} {height} viewBox="-1 -1 {width + 2} {height + 2}" aria-hidden="true">
  <Layers {pieces} {height} {width} />
</svg>

<style>
  .mini {
    flex: none;
    overflow: visible;
  }
</style>
