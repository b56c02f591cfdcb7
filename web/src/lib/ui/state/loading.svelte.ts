const PAUSE_MS = 150;

/** Loads whenever what `read` gives changes: at once the first time, later when it has been still for a moment. */
export function loadOn<T>(read: () => T, load: (now: T) => Promise<void>): void {
  let first = true;
  $effect(() => {
    const now = read();
    const timer = setTimeout(() => void load(now), first ? 0 : PAUSE_MS);
    first = false;
    return () => clearTimeout(timer);
  });
}
