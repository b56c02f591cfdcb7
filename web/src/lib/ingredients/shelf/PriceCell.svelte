<!-- A price on the shelf: Enter, a digit or a double click types over it, Enter takes it, Esc leaves it. -->
<script lang="ts">
  import { flushSync, type Snippet } from 'svelte';
  import { wordsOf } from '../../api/client';
  import Cell from '../../ui/cell/Cell.svelte';
  import { readNumber } from '../../ui/format';
  import type { ShelfList } from './shelf.svelte';

  interface Props {
    list: ShelfList;
    slug: string;
    name: string;
    /** The cell of the table around it, which has the focus while nothing is typed. */
    cell: HTMLElement | undefined;
    children: Snippet;
  }
  const { list, slug, name, cell, children }: Props = $props();
  let typing = $state(false);

  function begin(): void {
    flushSync(() => (typing = true));
    cell?.querySelector('input')?.focus();
  }

  function end(): void {
    const back = cell?.contains(document.activeElement);
    typing = false;
    if (back) cell?.focus();
  }

  async function take(text: string): Promise<string> {
    const price = readNumber(text);
    if (price === null) return 'Type a price above 0, such as 4.20.';
    try {
      await list.setPrice(slug, price);
    } catch (error) {
      return wordsOf(error);
    }
    end();
    return '';
  }

  function key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (typing) {
      const left = event.key === 'Enter' && !(event.target as HTMLInputElement).value;
      if (left || event.key === 'Escape') end();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      event.stopPropagation(); // elsewhere in the row it opens the ingredient
      begin();
    } else if (/^[0-9]$/.test(event.key)) begin(); // the digit then falls into the field
  }

  function leave(event: FocusEvent): void {
    if (typing && event.target instanceof HTMLInputElement && !event.target.value) end();
  }

  $effect(() => {
    const at = cell;
    if (!at) return;
    at.addEventListener('keydown', key);
    at.addEventListener('dblclick', begin);
    at.addEventListener('focusout', leave);
    return () => {
      at.removeEventListener('keydown', key);
      at.removeEventListener('dblclick', begin);
      at.removeEventListener('focusout', leave);
    };
  });
</script>

{#if typing}
  <Cell label="Price of {name}, per kg" shown="" kind="price" {take} />
{:else}
  {@render children()}
{/if}
