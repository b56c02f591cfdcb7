<!-- A colour pointed at in a photo, or typed. The photo stays in this window: nothing of it is sent or kept. -->
<script lang="ts" module>
  let photo = $state.raw<ImageBitmap | null>(null);
</script>

<script lang="ts">
  import { colourIn, type Step } from './steps';
  import type { BenchTest } from './test.svelte';

  const { test, step, onnext }: { test: BenchTest; step: Step; onnext: () => void } = $props();
  const WIDTH = 640;
  /** Half the side of the patch whose mean is taken, in points of the picture shown. */
  const PATCH = 8;
  let canvas = $state<HTMLCanvasElement>();
  let wrong = $state('');
  const given = $derived(test.answers[step.key] ?? '');
  const colour = $derived(colourIn(given));

  async function open(file: File | undefined): Promise<void> {
    if (!file) return;
    try {
      photo = await createImageBitmap(file);
      wrong = '';
    } catch {
      wrong = `${file.name} is no picture that can be read: JPEG, PNG and WebP can.`;
    }
  }

  $effect(() => {
    if (!canvas || !photo) return;
    canvas.width = WIDTH;
    canvas.height = Math.round((WIDTH * photo.height) / photo.width);
    canvas.getContext('2d')?.drawImage(photo, 0, 0, canvas.width, canvas.height);
  });

  function point(event: MouseEvent): void {
    const at = canvas?.getContext('2d', { willReadFrequently: true });
    if (!canvas || !at) return;
    const scale = canvas.width / canvas.clientWidth;
    const x = Math.max(0, Math.round(event.offsetX * scale) - PATCH);
    const y = Math.max(0, Math.round(event.offsetY * scale) - PATCH);
    const { data } = at.getImageData(x, y, 2 * PATCH + 1, 2 * PATCH + 1);
    const sums = [0, 0, 0];
    let seen = 0;
    for (let i = 0; i < data.length; i += 4) {
      if (!data[i + 3]) continue; // outside the picture
      seen += 1;
      for (let c = 0; c < 3; c += 1) sums[c]! += data[i + c]!;
    }
    if (seen) test.answer(step.key, sums.map((s) => Math.round(s / seen)).join(', '));
  }
</script>

<p class="row">
  <label class="action">
    {photo ? 'Another photo' : 'Choose a photo'}
    <input class="sr-only" type="file" accept="image/*" onchange={(e) => open(e.currentTarget.files?.[0])} />
  </label>
  <input
    class="field num"
    aria-label="{step.title}: red, green, blue"
    placeholder="or type 228, 226, 221"
    autocomplete="off"
    value={given}
    oninput={(e) => test.answer(step.key, e.currentTarget.value)}
    onkeydown={(e) => e.key === 'Enter' && test.ready && onnext()}
  />
  {#if colour}<span class="swatch" style:background="rgb({colour.join(' ')})" aria-hidden="true"></span>{/if}
</p>
{#if wrong}<p role="alert">{wrong}</p>{/if}
{#if photo}
  <!-- A pointer's way only: the field beside it takes the same by keyboard. -->
  <canvas bind:this={canvas} onclick={point} aria-label="The photo: point at {step.title.toLowerCase()}"
  ></canvas>
{:else}
  <p class="small soft">The photo stays on this device: only the colours are kept.</p>
{/if}

<style>
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.75rem;
    margin-bottom: 1rem;
  }

  .row .field {
    width: 16rem;
    text-align: left;
    min-height: 48px;
  }

  label:focus-within {
    outline: 2px solid var(--flax);
    outline-offset: 2px;
  }

  .swatch {
    width: 48px;
    height: 48px;
    border: 1px solid var(--ink);
    border-radius: 4px;
  }

  canvas {
    display: block;
    max-width: 100%;
    max-height: max(14rem, calc(100dvh - 31rem));
    cursor: crosshair;
  }
</style>
