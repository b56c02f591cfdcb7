<!-- Counts down, and says so when it is done. -->
<script lang="ts">
  interface Props {
    seconds: number;
    ondone: () => void;
  }
  const { seconds, ondone }: Props = $props();
  let end = $state<number | null>(null);
  let now = $state(Date.now());
  let paused = $state<number | null>(null);
  const left = $derived(Math.max(0, Math.ceil(end !== null ? (end - now) / 1000 : (paused ?? seconds))));
  const clock = $derived(`${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`);

  $effect(() => {
    if (end === null) return;
    const timer = setInterval(() => {
      now = Date.now();
      if (end !== null && now >= end) {
        end = null;
        paused = 0;
        ring();
        ondone();
      }
    }, 250);
    return () => clearInterval(timer);
  });

  function start(): void {
    now = Date.now();
    end = now + (paused ?? seconds) * 1000;
    paused = null;
  }

  function pause(): void {
    paused = left;
    end = null;
  }

  /** Two short tones, where the browser lets a page make them. */
  function ring(): void {
    try {
      const audio = new AudioContext();
      for (const at of [0, 0.35]) {
        const tone = audio.createOscillator();
        const volume = audio.createGain();
        volume.gain.value = 0.15;
        tone.frequency.value = 660;
        tone.connect(volume).connect(audio.destination);
        tone.start(audio.currentTime + at);
        tone.stop(audio.currentTime + at + 0.2);
      }
    } catch {
      // Without sound the page still says it.
    }
  }
</script>

<div class="timer">
  <output class="num" aria-label="Time left" class:done={left === 0}>{clock}</output>
  {#if end !== null}
    <button class="action big" onclick={pause}>Pause</button>
  {:else if left > 0}
    <button class="action big" onclick={start}>{paused === null ? 'Start the timer' : 'Go on'}</button>
  {:else}
    <strong role="status">Time is up.</strong>
  {/if}
</div>

<style>
  .timer {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 1rem;
  }

  output {
    font-size: 3.5rem;
    line-height: 1;
  }

  .done {
    color: var(--passes);
  }

  .big {
    min-height: 64px;
    padding: 0 1.5rem;
    font-size: var(--lead);
  }
</style>
