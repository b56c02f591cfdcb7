/** Walks with the arrow keys over the cells of a list of rows: to the other cell, or the same one above or below. */
export function walk(event: KeyboardEvent): boolean {
  const cell = event.currentTarget as HTMLInputElement;
  const sideways = event.key === 'ArrowLeft' || event.key === 'ArrowRight';
  if (!sideways && event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return false;
  event.preventDefault();
  const row = cell.closest('li');
  if (sideways) {
    const other = cell.dataset.cell === 'mass' ? 'share' : 'mass';
    row?.querySelector<HTMLInputElement>(`[data-cell=${other}]`)?.focus();
    return true;
  }
  const rows = [...(row?.parentElement?.children ?? [])];
  const next = rows[rows.indexOf(row!) + (event.key === 'ArrowUp' ? -1 : 1)];
  next?.querySelector<HTMLInputElement>(`[data-cell=${cell.dataset.cell}]`)?.focus();
  return true;
}
