<!-- A price on the shelf: Enter, a digit or a double click types over it, Enter takes it, Esc leaves it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { tick } from 'svelte';
  import { attempt } from '../../ui/state/attempt';
  import { notices } from '../../ui/state/notices.svelte';
  import { readNumber } from '../../ui/format';
  import type { ShelfList } from './shelf.svelte';

  interface Props {
    list: ShelfList;
    slug: string;
    name: string;
    cell: HTMLElement | undefined;
    children: Snippet;
  }
  const { list, slug, name, cell, children }: Props = $props();
  let typed = $state<string | null>(null);
  let input = $state<HTMLInputElement>();

  async function begin(text: string): Promise<void> {
    typed = text;
    await tick();
    input?.focus();
  }

  async function end(take: boolean): Promise<void> {
    const text = take ? (typed ?? '').trim() : '';
    typed = null;
    await tick();
    cell?.focus();
    if (text === '') return;
    const value = readNumber(text);
    if (value === null) notices.say(`“${text}” is no price: type a number above 0, such as 4.20.`, true);
    else await attempt(() => list.setPrice(slug, value));
  }

  $effect(() => {
    const at = cell;
    if (!at) return;
    const key = (event: KeyboardEvent): void => {
      if (typed !== null || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key !== 'Enter' && !/^[0-9]$/.test(event.key)) return;
      event.preventDefault();
      event.stopPropagation();
      void begin(event.key === 'Enter' ? '' : event.key);
    };
    const twice = (): void => void begin('');
    at.addEventListener('keydown', key);
    at.addEventListener('dblclick', twice);
    return () => {
      at.removeEventListener('keydown', key);
      at.removeEventListener('dblclick', twice);
    };
  });

  function key(event: KeyboardEvent): void {
    event.stopPropagation();
    if (event.key === 'Enter') void end(true);
    else if (event.key === 'Escape') void end(false);
  }
</script>

{#if typed === null}
  {@render children()}
{:else}
  <input
    class="field num"
    inputmode="decimal"
    aria-label="Price of {name}, per kg"
    bind:value={typed}
    bind:this={input}
    onkeydown={key}
    onblur={() => (typed === null ? null : void end(true))}
  />
{/if}

<style>
  input {
    width: 4.5rem;
    min-height: 28px;
    padding: 0 0.3rem;
    text-align: right;
  }
</style>
