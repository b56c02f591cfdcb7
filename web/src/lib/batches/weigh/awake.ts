/** Keeps the screen awake until the returned function is called: floury hands do not wake one. */
export function awake(): () => void {
  let lock: { release(): Promise<void> } | undefined;
  void navigator.wakeLock?.request('screen').then(
    (found) => (lock = found),
    () => undefined
  );
  return () => void lock?.release();
}
