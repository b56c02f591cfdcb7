<!-- The lot in the hand: the first to expire is proposed; change it by a tap or its code; say that it is empty. -->
<script lang="ts">
  import { day } from '../../ui/format';
  import Sheet from '../../ui/Sheet.svelte';
  import { grams, type Lot, type Part } from '../types';

  interface Props {
    part: Part;
    lot: Lot | null;
    choose: (lot: Lot | null, why: string) => void;
    empty: (lot: Lot) => void;
  }
  const { part, lot, choose, empty }: Props = $props();
  let open = $state(false);
  let code = $state('');
  let why = $state('');
  let asked = $state.raw<Lot | null>(null);
  let trouble = $state('');

  function take(next: Lot | null): void {
    if (next?.why_not && !why.trim()) {
      asked = next;
      return;
    }
    choose(next, why);
    [open, asked, why, code, trouble] = [false, null, '', '', ''];
  }

  /** A code that was scanned or typed: a lot of this flour is taken, anything else is refused. */
  function typed(event: Event): void {
    event.preventDefault();
    const found = part.lots.find((l) => l.code.toLowerCase() === code.trim().toLowerCase());
    if (found) take(found);
    else trouble = `${code.trim()} is no lot of ${part.name.toLowerCase()} with anything in it.`;
  }
</script>

<button class="lot" onclick={() => (open = true)}>
  <span>
    {#if lot}
      <b>Lot {lot.code}{lot.supplier ? `, ${lot.supplier}` : ''}</b>
      <span class="small soft">
        {lot.best_before ? `use by ${day(lot.best_before)} · ` : ''}{grams(lot.stock_g)} g left
      </span>
      {#if lot.why_not}<span class="small close">◆ {lot.why_not}</span>{/if}
    {:else}
      <b>No lot on record</b>
      <span class="small soft"
        >{part.lots.length ? 'choose the one in your hand' : 'nothing of it is in stock here'}</span
      >
    {/if}
  </span>
  <span class="change">change</span>
</button>

<Sheet {open} title="Which lot of {part.name.toLowerCase()}?" onclose={() => (open = false)}>
  <form onsubmit={typed}>
    <label
      ><span>Scan or type its code</span><input class="field" autocomplete="off" bind:value={code} /></label
    >
    <button class="action">Take it</button>
  </form>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  <ul>
    {#each part.lots as l (l.id)}
      <li>
        <button class="lot" onclick={() => take(l)}>
          <span>
            <b>{l.code}{l.supplier ? `, ${l.supplier}` : ''}</b>
            <span class="small soft"
              >{l.best_before ? `use by ${day(l.best_before)} · ` : ''}{grams(l.stock_g)} g left</span
            >
            {#if l.why_not}<span class="small close">◆ {l.why_not}</span>{/if}
          </span>
        </button>
        {#if asked === l}
          <label class="why">
            <span>Why is it drawn from all the same?</span>
            <input class="field" bind:value={why} />
          </label>
          <button class="action main" disabled={!why.trim()} onclick={() => take(l)}
            >Take it with this reason</button
          >
        {/if}
      </li>
    {/each}
  </ul>
  <button class="action" onclick={() => take(null)}>From no lot on record</button>
  {#if lot}<button class="action" onclick={() => (empty(lot), (open = false))}>{lot.code} is empty</button
    >{/if}
</Sheet>

<style>
  .lot {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.75rem;
    width: 100%;
    min-height: 56px;
    padding: 0.3rem 0.75rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
    text-align: left;
    cursor: pointer;
  }

  .lot span span {
    display: block;
  }

  .change {
    color: var(--flax);
    font-weight: 600;
  }

  form {
    display: flex;
    align-items: end;
    gap: 0.5rem;
  }

  form label,
  .why {
    display: grid;
    flex: 1;
  }

  ul {
    margin: 0.75rem 0;
  }

  li {
    margin-bottom: 0.4rem;
  }
</style>
