<!-- The plating sheet, apart from the host's view: which sample is under which code, and what each seat gets. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../api/client';
  import { attempt } from '../ui/state/attempt';

  const { params }: { params: { id: string } } = $props();
  let who = $state('');
  let sheet = $state.raw<Schemas['PlatingOut'] | null>(null);

  async function open(): Promise<void> {
    const path = { tasting_id: Number(params.id) };
    sheet = (
      await ask(api.POST('/api/v1/tastings/{tasting_id}/plating', { params: { path }, body: { who } }))
    ).data;
  }
</script>

<div class="page">
  {#if sheet}
    <div class="page-head">
      <h1>Plating sheet, {sheet.name}</h1>
      <button class="action no-print" onclick={() => window.print()}>Print</button>
    </div>
    <p class="small soft">For who plates. Not for the host, nor for anybody who tastes.</p>
    <table>
      <thead><tr><th>code</th><th>sample</th><th>why, lot</th></tr></thead>
      <tbody>
        {#each sheet.plates as plate (plate.code)}
          <tr
            ><td class="num code">{plate.code}</td><td>{plate.sample}</td><td class="soft"
              >{[plate.because, plate.lot].filter(Boolean).join(' · ')}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    <table>
      <thead><tr><th>seat</th><th>plates, in this order</th><th>must not have</th></tr></thead>
      <tbody>
        {#each sheet.seats as seat (seat.number)}
          <tr class:blocked={seat.blocked}>
            <td><b>{seat.number}</b> {seat.name}</td>
            <td class="num codes">{seat.blocked ? 'nothing: blocked' : seat.codes.join('  ')}</td>
            <td class="held"
              >{seat.left_out.join(', ')}{seat.lifted.length ? ` lifted: ${seat.lifted.join('; ')}` : ''}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="caution small">
      Clean board, knife and hands between samples; what somebody must not have does not lie beside their
      plate. Nothing here says that a sample is free of anything.
    </p>
  {:else}
    <div class="page-head"><h1>Plating sheet</h1></div>
    <p>
      It says which sample is under which code. Who opens it cannot host blind any more; that it was opened is
      kept.
    </p>
    <form
      onsubmit={(e) => {
        e.preventDefault();
        void attempt(open);
      }}
    >
      <label>Who plates <input bind:value={who} maxlength="80" required /></label>
      <button class="action main" disabled={!who.trim()}>Open it</button>
      <a class="action" href="#/tasting/{params.id}">Back to the table</a>
    </form>
  {/if}
</div>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: end;
  }

  input {
    display: block;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: transparent;
  }

  table {
    margin: 0 0 1.4rem;
    border-collapse: collapse;
  }

  th {
    text-align: left;
    color: var(--soft);
    font-weight: 400;
  }

  td,
  th {
    padding: 0.4rem 1.6rem 0.4rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .code {
    font-size: 1.6rem;
    font-weight: 600;
  }

  .codes {
    font-size: 1.15rem;
    white-space: pre;
  }

  .held {
    color: var(--held);
  }

  .blocked {
    background: var(--held-wash);
  }

  .caution {
    color: var(--close);
  }
</style>
