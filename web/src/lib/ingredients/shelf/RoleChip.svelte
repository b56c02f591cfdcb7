<!-- A role's colour and hatching, as it is drawn in the column, with its name for those who do not see it. -->
<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';

  const { role, size = 20 }: { role: string; size?: number } = $props();
</script>

<svg width={size} height={size} viewBox="0 0 20 20" role="img" aria-label={kitchen.roleLabel(role)}>
  <title>{kitchen.roleLabel(role)}</title>
  <rect x="0.5" y="0.5" width="19" height="19" fill="var(--role-{role})" stroke="var(--tube)" />
  <rect x="0.5" y="0.5" width="19" height="19" fill="url(#hatch-{role})" />
</svg>

<style>
  svg {
    flex: none;
  }
</style>
