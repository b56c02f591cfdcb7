import { tick } from 'svelte';

/** Walks with the arrow keys over the cells of a list of rows: to the other cell, or the same one above or below. */
export function walk(event: KeyboardEvent): boolean {
  const cell = event.currentTarget as HTMLInputElement;
  const sideways = event.key === 'ArrowLeft' || event.key === 'ArrowRight';
  const by = upOrDown(event);
  if (!sideways && by === null) return false;
  event.preventDefault();
  if (sideways) {
    const other = cell.dataset.cell === 'mass' ? 'share' : 'mass';
    cell.closest('li')?.querySelector<HTMLInputElement>(`[data-cell=${other}]`)?.focus();
  } else {
    cellOf(cell, placeOf(cell) + by!)?.focus();
  }
  return true;
}

/** Takes the row up or down with Alt and an arrow, by `move`; the keys go along with it. */
export function carry(event: KeyboardEvent, move: (by: -1 | 1) => void): boolean {
  const by = upOrDown(event);
  if (!event.altKey || by === null) return false;
  event.preventDefault();
  const cell = event.currentTarget as HTMLInputElement;
  const [rows, to] = [cell.closest('li')?.parentElement, placeOf(cell) + by];
  move(by);
  void tick().then(() => cellOf(cell, to, rows)?.focus());
  return true;
}

function upOrDown(event: KeyboardEvent): -1 | 1 | null {
  return event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : null;
}

function placeOf(cell: HTMLElement): number {
  const row = cell.closest('li');
  return [...(row?.parentElement?.children ?? [])].indexOf(row!);
}

/** The cell of the same kind in the row at `place` of the list. */
function cellOf(
  cell: HTMLElement,
  place: number,
  rows = cell.closest('li')?.parentElement
): HTMLInputElement | null | undefined {
  return rows?.children[place]?.querySelector<HTMLInputElement>(`[data-cell=${cell.dataset.cell}]`);
}
