<!-- Adds an ingredient by name, other name or look-alike, and says what it is taken for. -->
<script lang="ts">
  import { Combobox, Portal, useListCollection } from '@skeletonlabs/skeleton-svelte';
  import { api, ask, wordsOf, type Ingredient } from '../api/client';
  import { kitchen } from '../app/kitchen.svelte';
  import { Latest } from '../ui/state/latest';

  const SHOWN = 12;
  interface Props {
    /** What an ingredient is added to: a blend or a formula. */
    bench: { add(item: Ingredient): Promise<void>; parts: readonly { ingredient: string }[] };
    /** What the whole is called. */
    whole?: string;
  }
  const { bench, whole = 'the mix' }: Props = $props();
  let items = $state.raw<Ingredient[]>([]);
  let text = $state('');
  let lit = $state<string | null>(null);
  let trouble = $state('');

  const search = new Latest<string, Ingredient[]>(
    async (q) =>
      (await ask(api.GET('/api/v1/ingredients', { params: { query: { q, limit: SHOWN } } }))).data.items,
    (found) => {
      items = found;
      trouble = '';
    },
    (error) => (trouble = wordsOf(error))
  );
  const collection = $derived(
    useListCollection({ items, itemToString: (i) => i.name, itemToValue: (i) => i.slug })
  );
  const shown = $derived(items.find((i) => i.slug === lit));
  const inBlend = (slug: string): boolean => bench.parts.some((p) => p.ingredient === slug);

  function about(item: Ingredient): string {
    const words = [kitchen.roleLabel(item.role)];
    if (item.found_by)
      words.push(
        item.look_alikes.some((l) => l.name === item.found_by)
          ? `not ${item.found_by.toLowerCase()}`
          : `“${item.found_by}”`
      );
    if (inBlend(item.slug)) words.push(`in ${whole}`);
    else if (item.lots.length) words.push('in a bin');
    return words.join(' · ');
  }

  async function choose(values: string[]): Promise<void> {
    const item = items.find((i) => i.slug === values[0]);
    if (!item) return;
    text = '';
    try {
      await bench.add(item);
    } catch (error) {
      trouble = wordsOf(error);
    }
    requestAnimationFrame(() => {
      const row = document.querySelector<HTMLElement>(`[data-row="${item.slug}"] [data-cell=mass]`);
      row?.focus();
    });
  }
</script>

<Combobox
  {collection}
  value={[]}
  inputValue={text}
  placeholder="Add an ingredient"
  openOnClick
  selectionBehavior="clear"
  inputBehavior="autohighlight"
  positioning={{ placement: 'top-start', sameWidth: false, gutter: 4 }}
  onInputValueChange={(d) => {
    text = d.inputValue;
    search.ask(d.inputValue);
  }}
  onOpenChange={(d) => d.open && search.ask(text)}
  onValueChange={(d) => choose(d.value)}
  onHighlightChange={(d) => (lit = d.highlightedValue)}
>
  <Combobox.Control>
    <Combobox.Input class="field add-input" aria-label="Add an ingredient" data-add />
  </Combobox.Control>
  <Portal>
    <Combobox.Positioner class="add-place">
      <Combobox.Content class="add-list">
        {#each items as item (item.slug)}
          <Combobox.Item {item} class="add-item">
            <Combobox.ItemText>{item.name}</Combobox.ItemText>
            <span class="small about">{about(item)}</span>
          </Combobox.Item>
        {/each}
        {#if trouble}<p class="held p-2" role="alert">{trouble}</p>{/if}
        {#if !items.length && !trouble}<p class="soft p-2">
            No such ingredient. Try another name for it.
          </p>{/if}
        {#if shown}
          <div class="apart small" aria-live="polite">
            {#if shown.look_alikes.length}
              {#each shown.look_alikes as other (other.ingredient)}
                <p><strong>Not {other.name.toLowerCase()}.</strong> {other.differ}</p>
              {/each}
            {:else if shown.usual_max_pct}
              <p>Usually at most {shown.usual_max_pct} % of flour: {shown.usual_max_reason}.</p>
            {:else if shown.flavour_words.length}
              <p>Tastes {shown.flavour_words.join(', ')}.</p>
            {/if}
          </div>
        {/if}
      </Combobox.Content>
    </Combobox.Positioner>
  </Portal>
</Combobox>

<style>
  :global(.add-input) {
    width: 100%;
    box-shadow: none;
  }

  :global(.add-place) {
    z-index: 30 !important;
  }

  :global(.add-list) {
    width: min(27rem, 92vw);
    max-height: 25rem;
    gap: 0;
    padding: 0;
    overflow-y: auto;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
    box-shadow: 0 4px 18px rgb(11 20 16 / 18%);
  }

  :global(.add-item) {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: 1rem;
    padding: 0.3rem 0.6rem;
    cursor: pointer;
  }

  :global(.add-item[data-highlighted]) {
    background: var(--flax-wash);
  }

  .about {
    color: var(--soft);
    text-align: right;
  }

  .apart {
    position: sticky;
    bottom: 0;
    padding: 0.4rem 0.6rem;
    border-top: 1px solid var(--hairline);
    background: var(--sheet);
  }

  .apart:empty {
    display: none;
  }
</style>
