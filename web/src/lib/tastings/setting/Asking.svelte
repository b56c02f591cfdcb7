<!-- What is asked: one main question, and beside it what may be a lead; what is set beforehand. -->
<script lang="ts">
  import { METHODS, methodLabel, type AskedIn, type Tasting } from '../types';
  import { termsIn, type Draft } from './draft';

  interface Props {
    tasting: Tasting;
    draft: Draft;
    change: (make: (now: Draft) => Draft) => void;
  }
  const { tasting: t, draft, change }: Props = $props();
  const asked = $derived(draft.asked);
  const two = $derived(METHODS.find((m) => m.method === asked.main)?.two ?? false);
  const forced = $derived(t.answers_needed[asked.main ?? 'liking'] ?? null);
  const seats = $derived(draft.seats.length);

  function set(values: Partial<AskedIn>): void {
    change((d) => ({ ...d, asked: { ...d.asked, ...values } }));
  }
</script>

<section>
  <h2>What is asked</h2>
  <label
    >Main question
    <select value={asked.main} onchange={(e) => set({ main: e.currentTarget.value as AskedIn['main'] })}>
      {#each METHODS as m (m.method)}<option value={m.method}>{m.label}</option>{/each}
    </select></label
  >
  <p class="small soft">
    {METHODS.find((m) => m.method === asked.main)?.for}. It is fixed when the table opens.
  </p>
  {#if two && draft.samples.length !== 2}<p class="small held">It compares two samples.</p>{/if}
  {#if forced}
    <p class="small">
      To notice a difference most people would feel now and then: about {forced} tasters{seats < forced
        ? `; with ${seats} only a plain one shows`
        : ''}. If you can name what differs, “{methodLabel('2-afc')}” takes {t.answers_needed['2-afc']},
      tetrad
      {t.answers_needed.tetrad}, triangle {t.answers_needed.triangle}.
    </p>
  {/if}
  {#if asked.main === '2-afc'}
    <label
      >Which is more … <input
        value={asked.attribute}
        maxlength="40"
        placeholder="sweet"
        onchange={(e) => set({ attribute: e.currentTarget.value })}
      /></label
    >
  {/if}
  {#if asked.main === '2-afc' || asked.margin}
    <label
      >{asked.main === '2-afc' ? 'Which should have more' : 'The new one'}
      <select
        value={String(asked.new ?? '')}
        onchange={(e) => set({ new: Number(e.currentTarget.value) || null })}
      >
        <option value="">–</option>
        {#each draft.samples as s (s.number)}<option value={String(s.number)}>{s.name}</option>{/each}
      </select></label
    >
  {/if}
  {#if asked.main === 'liking'}
    <label
      >Difference worth having, points
      <input
        type="number"
        min="0.1"
        max="8"
        step="0.1"
        value={asked.worth}
        onchange={(e) => set({ worth: Number(e.currentTarget.value) || 1 })}
      /></label
    >
    <label
      >No worse than, points less (empty: not asked)
      <input
        type="number"
        min="0.1"
        max="8"
        step="0.1"
        value={asked.margin ?? ''}
        onchange={(e) =>
          set({ margin: Number(e.currentTarget.value) || null, new: asked.new ?? draft.samples.length })}
      /></label
    >
  {/if}
  {#if asked.main !== 'triangle' && asked.main !== 'tetrad'}
    <label
      >Just about right, at most 3
      <input
        value={(asked.just_right ?? []).join(', ')}
        placeholder="moist, salt"
        onchange={(e) => set({ just_right: termsIn(e.currentTarget.value, 3) })}
      /></label
    >
    <label
      >Words to tick, at most 12
      <input
        value={(asked.words ?? []).join(', ')}
        placeholder="crumbly, nutty, gummy"
        onchange={(e) => set({ words: termsIn(e.currentTarget.value, 12) })}
      /></label
    >
    <label class="tick"
      ><input
        type="checkbox"
        checked={asked.comment}
        onchange={(e) => set({ comment: e.currentTarget.checked })}
      /> a word about each</label
    >
  {/if}
  <label class="tick"
    ><input
      type="checkbox"
      checked={asked.warm_up}
      onchange={(e) => set({ warm_up: e.currentTarget.checked })}
    /> a first bite to warm up, not judged</label
  >
  <label
    >Looks planned at this question
    <input
      type="number"
      min="1"
      max="12"
      value={asked.looks}
      onchange={(e) => set({ looks: Math.max(1, Math.round(Number(e.currentTarget.value)) || 1) })}
    /></label
  >
  <p class="small soft">Beside the main question everything is a lead, not proof.</p>
</section>

<style>
  h2 {
    margin: 0 0 0.4rem;
    font-size: var(--lead);
  }

  section {
    display: grid;
    gap: 0.5rem;
  }

  p {
    margin: 0;
  }

  .held {
    color: var(--held);
  }

  input:not([type='checkbox']),
  select {
    display: block;
    width: 100%;
    min-height: 38px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }

  input[type='number'] {
    width: 6rem;
  }

  .tick {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 36px;
  }
</style>
