import { onMount } from 'svelte';

const KEY = 'fallow-sieve.clock';

/**
 * The instant that it is by the kitchen's clock, ms, every second: `said` is what the server last said, and what this
 * device's clock differs by is kept, so that timers go on through a reload and while no server answers.
 */
export function nowIs(said: () => string | undefined): { readonly ms: number } {
  let off = Number(localStorage.getItem(KEY) ?? 0) || 0;
  let ms = $state(Date.now() + off);
  $effect(() => {
    const text = said();
    if (!text) return;
    off = Date.parse(text) - Date.now();
    if (Math.abs(off) < 60_000) off = 0; // the same clock, a moment later
    localStorage.setItem(KEY, String(off));
    ms = Date.now() + off;
  });
  onMount(() => {
    const tick = () => (ms = Date.now() + off);
    const every = setInterval(tick, 1000);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(every);
      document.removeEventListener('visibilitychange', tick);
    };
  });
  return {
    get ms() {
      return ms;
    }
  };
}
