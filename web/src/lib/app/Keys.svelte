<!-- The list of keys. -->
<script lang="ts">
  import Sheet from '../ui/Sheet.svelte';
  import { KEYS } from './keys';

  interface Props {
    open: boolean;
    onclose: () => void;
  }
  const { open, onclose }: Props = $props();
</script>

<Sheet {open} title="Keys" {onclose}>
  {#each KEYS as group (group.title)}
    <h3 class="mt-3 mb-1">{group.title}</h3>
    <dl aria-label={group.title}>
      {#each group.keys as [key, does] (key)}
        <dt><kbd>{key}</kbd></dt>
        <dd>{does}</dd>
      {/each}
    </dl>
  {/each}
</Sheet>

<style>
  dl {
    display: grid;
    grid-template-columns: 6rem 1fr;
    gap: 0.3rem 0.75rem;
  }
</style>
