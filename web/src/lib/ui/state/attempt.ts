import { wordsOf } from '../../api/client';
import { notices } from './notices.svelte';

/** Does `work`; what goes wrong is said as a notice that stays. */
export async function attempt(work: () => Promise<unknown>): Promise<void> {
  try {
    await work();
  } catch (error) {
    notices.say(wordsOf(error), true);
  }
}
