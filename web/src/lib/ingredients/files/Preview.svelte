<!-- What a file would change: the refused first, each with its cell and why. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    preview: Schemas['PreviewOut'];
    onbring: () => void;
  }
  const { preview, onbring }: Props = $props();
  type Status = Schemas['RowChange']['status'];
  const ORDER: Status[] = ['refused', 'changed', 'new'];
  const MARKS: Record<Status, string> = { refused: '■', changed: '◆', new: '○', same: '' };
  const count = (status: Status): number => preview.counts[status] ?? 0;
  const rows = $derived(
    [...preview.rows].sort((a, b) => ORDER.indexOf(a.status) - ORDER.indexOf(b.status) || a.line - b.line)
  );
  const writes = $derived(count('new') + count('changed'));
  const say = $derived.by(() => {
    const all = `${count('new')} new, ${count('changed')} changed, ${count('same')} the same`;
    if (count('refused')) return `${count('refused')} refused, so nothing can come in yet: ${all}.`;
    return writes
      ? `${all}. Nothing is refused.`
      : `Nothing in it is new: ${count('same')} rows are as they are here.`;
  });
</script>

<div class="head">
  <h2 role="status">{say}</h2>
  <button class="action main" disabled={!!count('refused') || !writes} onclick={onbring}>Bring it in</button>
</div>
{#if rows.length}
  <table class="lines">
    <thead>
      <tr>
        <th scope="col">Row</th>
        <th scope="col">What happens</th>
        <th scope="col">Ingredient</th>
        <th scope="col">Cells</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as row, n (n)}
        <tr class={row.status}>
          <td class="num">{row.line}</td>
          <td class="state"><span aria-hidden="true">{MARKS[row.status]}</span> {row.status}</td>
          <td>{row.name} <span class="soft small">{row.slug}</span></td>
          <td class="small">
            {#each row.refusals as refusal, k (k)}
              <span class="cell"
                ><b>{refusal.column}</b>: {refusal.wrong}; <span class="soft">{refusal.right}</span></span
              >
            {/each}
            {#each row.changes as change, n (n)}
              <span class="cell"
                >{change.label}:
                {#if row.status === 'new'}{change.after}{:else}<span class="soft"
                    >{change.before || 'nothing'}</span
                  >
                  → {change.after || 'nothing'}{/if}</span
              >
            {/each}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  <p class="soft small">At most 200 rows of each kind are shown.</p>
{/if}

<style>
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.75rem;
    margin: 1rem 0 0.5rem;
  }

  h2 {
    flex: 1;
  }

  td {
    vertical-align: top;
  }

  .state {
    white-space: nowrap;
  }

  .refused .state {
    color: var(--held);
    font-weight: 600;
  }

  .changed .state {
    color: var(--close);
  }

  .new .state {
    color: var(--passes);
  }

  .cell {
    display: block;
  }
</style>
