<!-- A dialog as it is drawn: traps focus, closes with Esc, gives focus back. Pages use Sheet, which loads it. -->
<script lang="ts">
  import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
  import X from '@lucide/svelte/icons/x';
  import type { Snippet } from 'svelte';

  interface Props {
    open: boolean;
    title: string;
    children: Snippet;
    wide?: boolean;
    onclose: () => void;
  }
  const { open, title, children, wide = false, onclose }: Props = $props();
</script>

<Dialog
  {open}
  initialFocusEl={() => document.querySelector<HTMLElement>('.sheet input, .sheet .action.main')}
  onOpenChange={(d) => !d.open && onclose()}
>
  <Portal>
    <Dialog.Backdrop class="sheet-backdrop" />
    <Dialog.Positioner class="sheet-place">
      <Dialog.Content class={wide ? 'sheet wide' : 'sheet'}>
        <div class="sheet-head">
          <Dialog.Title><span class="sheet-title">{title}</span></Dialog.Title>
          <Dialog.CloseTrigger class="action quiet" aria-label="Close">
            <X size={18} aria-hidden="true" />
          </Dialog.CloseTrigger>
        </div>
        {@render children()}
      </Dialog.Content>
    </Dialog.Positioner>
  </Portal>
</Dialog>

<style>
  :global(.sheet-backdrop) {
    position: fixed;
    z-index: 40;
    inset: 0;
    background: rgb(11 20 16 / 45%);
  }

  :global(.sheet-place) {
    position: fixed;
    z-index: 50;
    inset: 0;
    display: flex;
    align-items: flex-start;
    justify-content: center;
    padding: 10vh 1rem 1rem;
    overflow-y: auto;
  }

  :global(.sheet) {
    width: min(30rem, 100%);
    padding: 1rem 1.25rem 1.25rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }

  :global(.sheet.wide) {
    width: min(46rem, 100%);
  }

  .sheet-head {
    display: flex;
    align-items: center;
    justify-content: space-between;
    margin-bottom: 0.5rem;
  }

  .sheet-title {
    font-size: var(--lead);
    font-weight: 600;
  }
</style>
