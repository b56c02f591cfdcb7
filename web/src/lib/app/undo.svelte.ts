/** Something on screen whose changes can be taken back. */
export interface Undoable {
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  undo(): void;
  redo(): void;
}

/** What undo and redo in the top bar act on: the page that is open sets it. */
export const undoing = $state<{ on: Undoable | null }>({ on: null });
