<!-- Everything that was noted, in its order; a slip is taken back, never deleted. -->
<script lang="ts">
  import { api, ask } from '../../api/client';
  import { figure } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { strengthWord, type Trial } from '../types';

  const { trial, changed }: { trial: Trial; changed: () => Promise<void> } = $props();
  let open = $state(false);

  async function takeBack(reading_id: string, withdrawn: boolean): Promise<void> {
    const params = { path: { trial_id: trial.id, reading_id } };
    await ask(
      api.PUT('/api/v1/trials/{trial_id}/readings/{reading_id}/withdrawn', { params, body: { withdrawn } })
    );
    await changed();
  }

  const said = (r: Trial['readings'][number]): string =>
    r.value === null
      ? 'as planned'
      : r.quantity.startsWith('fault:')
        ? strengthWord(r.value)
        : r.unit === '0/1'
          ? r.value >= 0.5
            ? 'yes'
            : 'no'
          : `${figure(r.value, Number.isInteger(r.value) ? 0 : 1)} ${/^[−0-9]/.test(r.unit) ? '' : r.unit}`;
</script>

{#if trial.readings.length}
  <details bind:open>
    <summary>All that was noted ({trial.readings.filter((r) => !r.withdrawn).length})</summary>
    <ul class="small">
      {#each trial.readings as r (r.id)}
        <li class:back={r.withdrawn}>
          <span>{r.label}{r.arm ? `, ${r.arm}` : ''}{r.day ? `, day ${r.day}` : ''}</span>
          <span class="num">{said(r)}</span>
          <button class="link" onclick={() => attempt(() => takeBack(r.id, !r.withdrawn))}
            >{r.withdrawn ? 'count it again' : 'take back'}</button
          >
        </li>
      {/each}
    </ul>
  </details>
{/if}

<style>
  details {
    margin-top: 1.25rem;
  }

  summary {
    min-height: 40px;
    color: var(--flax);
    cursor: pointer;
  }

  li {
    display: grid;
    grid-template-columns: 1fr 9rem 7rem;
    gap: 0.5rem;
    align-items: baseline;
    border-bottom: 1px solid var(--hairline);
  }

  .back span {
    text-decoration: line-through;
    color: var(--soft);
  }
</style>
