<!-- A status mark by itself, beside a word. -->
<script lang="ts">
  import Mark from './Mark.svelte';
  import type { Status } from './words';

  const { status }: { status: Status } = $props();
</script>

<svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true"><Mark {status} /></svg>

<style>
  svg {
    flex: none;
  }
</style>
