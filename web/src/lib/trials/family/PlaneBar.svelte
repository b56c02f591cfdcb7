<!-- A bedding plane as it is drawn: thin for process, double for formula, hatched in the role that grew for blend. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  const { plane }: { plane: Schemas['PlaneTold'] } = $props();
  const role = $derived(plane.grew || 'other');
</script>

<svg width="100%" height="11" aria-hidden="true">
  {#if plane.kind === 'blend'}
    <rect width="100%" height="11" fill="var(--role-{role})" class="edge" />
    <rect width="100%" height="11" fill="url(#hatch-{role})" />
  {:else if plane.kind === 'double'}
    <path d="M0 3.5H4000M0 7.5H4000" />
  {:else}
    <path d="M0 5.5H4000" />
  {/if}
</svg>

<style>
  svg {
    display: block;
    flex: none;
  }

  path,
  .edge {
    stroke: var(--ink);
    stroke-width: 1;
  }

  path {
    fill: none;
  }
</style>
