<!-- Who sits down, and what each must not eat; a block is met here, before anything is served. -->
<script lang="ts">
  import { attempt } from '../../ui/state/attempt';
  import Sheet from '../../ui/Sheet.svelte';
  import Avoiding from '../Avoiding.svelte';
  import { spaced, type Mat, type SeatIn, type Tasting } from '../types';
  import { numbered, type Draft } from './draft';

  interface Props {
    tasting: Tasting;
    draft: Draft;
    change: (make: (now: Draft) => Draft) => void;
  }
  const { tasting: t, draft, change }: Props = $props();
  let editing = $state<number | null>(null);
  const seat = $derived(draft.seats.find((s) => s.number === editing) ?? null);

  function edit(number: number, values: Partial<SeatIn>): void {
    change((d) => ({ ...d, seats: d.seats.map((s) => (s.number === number ? { ...s, ...values } : s)) }));
  }

  const add = (): void =>
    change((d) => ({
      ...d,
      seats: numbered([
        ...d.seats,
        { number: 0, name: '', allergies: [], by_choice: [], coeliac: false, left_out: [] }
      ])
    }));

  const remove = (number: number): void =>
    change((d) => ({ ...d, seats: numbered(d.seats.filter((s) => s.number !== number)) }));

  const avoids = (m: Mat): string =>
    [
      m.coeliac ? 'coeliac' : '',
      ...m.allergies.map(spaced),
      ...m.by_choice.map((a) => `${spaced(a)} (choice)`)
    ]
      .filter(Boolean)
      .join(', ');

  const nameOf = (sample: number): string => t.samples.find((s) => s.number === sample)?.name ?? '';

  function leave(m: Mat, sample: number): void {
    const now = draft.seats.find((s) => s.number === m.number)?.left_out ?? [];
    edit(m.number, { left_out: [...new Set([...now, sample])] });
  }
</script>

<section>
  <h2>Who sits down</h2>
  <ul>
    {#each t.mats as m (m.number)}
      {@const standing = m.blocks.filter((b) => !b.done)}
      <li class:blocked={standing.length > 0} data-seat={m.number}>
        <div class="line">
          <span class="num">{m.number}</span>
          <input
            aria-label="Who sits at seat {m.number}"
            value={m.name}
            maxlength="80"
            placeholder="anonymous"
            onchange={(e) => edit(m.number, { name: e.currentTarget.value })}
          />
          <button class="link small avoids" onclick={() => (editing = m.number)}
            >{avoids(m) || (m.name ? 'avoids nothing' : 'asked at the table')}<span class="sr-only">
              , change what seat {m.number} avoids</span
            ></button
          >
          <button class="link small" onclick={() => remove(m.number)} aria-label="Take seat {m.number} away"
            >×</button
          >
        </div>
        {#each standing as b (b.sample + b.what)}
          <div class="block small">
            <span><b>{nameOf(b.sample)}</b>: {b.say}</span>
            <button class="action" onclick={() => leave(m, b.sample)}>Leave it out here</button>
          </div>
        {/each}
        {#each m.blocks.filter((b) => b.done) as b (b.sample + b.what)}
          <p class="small soft">{nameOf(b.sample)}: {b.done} ({b.say})</p>
        {/each}
      </li>
    {/each}
  </ul>
  <button class="action" onclick={() => attempt(async () => add())}>Another seat</button>
</section>
<Sheet
  open={editing !== null}
  title="Seat {editing ?? ''}{seat?.name ? `, ${seat.name}` : ''}"
  onclose={() => (editing = null)}
>
  {#if seat}
    <Avoiding
      avoids={{
        allergies: seat.allergies ?? [],
        by_choice: seat.by_choice ?? [],
        coeliac: seat.coeliac ?? false
      }}
      asked={t.asked_about}
      onchange={(next) => edit(seat.number, { ...next, left_out: [] })}
    />
  {/if}
</Sheet>

<style>
  h2 {
    margin: 0 0 0.4rem;
    font-size: var(--lead);
  }

  li {
    padding: 0.2rem 0.4rem;
    border-bottom: 1px solid var(--hairline);
  }

  .line {
    display: flex;
    gap: 0.6rem;
    align-items: center;
  }

  .line .num {
    width: 1.4rem;
    text-align: right;
    color: var(--soft);
  }

  input {
    width: 9rem;
    min-height: 36px;
    padding: 0 0.4rem;
    border: 1px solid var(--hairline);
    background: transparent;
  }

  .avoids {
    flex: 1;
    text-align: left;
  }

  .blocked {
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }

  .block {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    justify-content: space-between;
    padding: 0.3rem 0 0.4rem 2rem;
    color: var(--held);
  }

  p {
    margin: 0 0 0.3rem 2rem;
  }

  section > .action {
    margin-top: 0.6rem;
  }
</style>
