<!-- The price of a part, typed where it is seen: it goes to the lot that is drawn from first. -->
<script lang="ts">
  import { api, ask, wordsOf } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import Cell from '../../ui/cell/Cell.svelte';
  import { figure, readNumber } from '../../ui/format';
  import { notices } from '../../ui/state/notices.svelte';
  import type { Bench } from './bench.svelte';

  interface Props {
    bench: Bench;
    slug: string;
    name: string;
    price: number | null;
  }
  const { bench, slug, name, price }: Props = $props();
  const unit = $derived(`${kitchen.settings?.currency ?? ''} per kg`.trim());

  async function take(text: string): Promise<string> {
    const per_kg = readNumber(text);
    if (per_kg === null) return 'Type a price above 0, such as 4.20.';
    try {
      const params = { path: { slug } };
      const { data } = await ask(api.PUT('/api/v1/ingredients/{slug}/price', { params, body: { per_kg } }));
      notices.say(data.say);
      bench.rejudge();
      return '';
    } catch (error) {
      return wordsOf(error);
    }
  }
</script>

<span class="price">
  <Cell
    kind="price"
    label="Price of {name}, {unit}"
    shown={price === null ? '' : figure(price, 2)}
    {take}
    soft
  />
  {price === null ? `no price, ${unit}` : unit}
</span>

<style>
  .price {
    display: inline-grid;
    grid-template-columns: 3.4rem auto;
    gap: 0.3rem;
    align-items: center;
    height: 20px;
  }

  .price :global(input) {
    height: 20px;
    padding-block: 0;
    font-size: var(--small);
  }
</style>
