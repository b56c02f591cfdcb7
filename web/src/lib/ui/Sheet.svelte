<!-- A dialog with a title: traps focus, closes with Esc, gives focus back. What draws it is loaded by the first one. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    open: boolean;
    title: string;
    children: Snippet;
    wide?: boolean;
    onclose: () => void;
  }
  const props: Props = $props();
  let wanted = $state(false);

  // Once it was open it stays, so that closing gives focus back.
  $effect(() => {
    if (props.open) wanted = true;
  });
</script>

{#if wanted}
  {#await import('./Dialog.svelte') then { default: Dialog }}
    <Dialog {...props} />
  {/await}
{/if}
