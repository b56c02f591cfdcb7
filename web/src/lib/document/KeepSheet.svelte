<!-- Keeps the draft as a revision, with one line why. -->
<script lang="ts">
  import { wordsOf } from '../api/client';
  import { notices } from '../ui/state/notices.svelte';
  import Sheet from '../ui/Sheet.svelte';

  interface Props {
    bench: { revisions: readonly unknown[]; based_on: number | null; keep(why: string): Promise<void> };
    open: boolean;
    onclose: () => void;
  }
  const { bench, open, onclose }: Props = $props();
  let why = $state('');
  let trouble = $state('');
  let busy = $state(false);

  async function keep(event: Event): Promise<void> {
    event.preventDefault();
    if (!why.trim()) {
      trouble = 'Say in one line why, for the one who reads it next month.';
      return;
    }
    busy = true;
    try {
      await bench.keep(why.trim());
      notices.say(`Kept as revision ${bench.based_on}.`);
      why = '';
      trouble = '';
      onclose();
    } catch (error) {
      trouble = wordsOf(error);
    } finally {
      busy = false;
    }
  }
</script>

<Sheet {open} title="Keep as revision {bench.revisions.length + 1}" {onclose}>
  <form onsubmit={keep}>
    <label for="why">Why, in one line</label>
    <input
      id="why"
      class="field my-1 w-full"
      maxlength="500"
      aria-invalid={trouble ? true : undefined}
      aria-describedby="why-wrong"
      placeholder="What you changed, and what you hope it does"
      bind:value={why}
    />
    <p id="why-wrong" class="held small" role="alert">{trouble}</p>
    <p class="soft small mb-3">A kept revision never changes. The bench goes on from it.</p>
    <button class="action main" disabled={busy}>Keep</button>
  </form>
</Sheet>
