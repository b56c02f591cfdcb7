<!-- A photo, large. Two taps, white paper and then crust or crumb, give its lightness; one button takes it away. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import { noteReading } from '../noting';
  import { around, type Colour } from '../picture';
  import type { Trial } from '../types';

  interface Props {
    trial: Trial;
    photo: Schemas['PhotoOnRecord'];
    onclose: () => void;
    remove: (photo: Schemas['PhotoOnRecord']) => void;
    changed: () => Promise<void>;
  }
  const { trial, photo, onclose, remove, changed }: Props = $props();
  let canvas = $state<HTMLCanvasElement>();
  let paper = $state.raw<Colour | null>(null);
  let found = $state.raw<Schemas['TakenOut'] | null>(null);
  let sure = $state(false);

  function draw(image: HTMLImageElement): void {
    if (!canvas) return;
    canvas.width = image.naturalWidth;
    canvas.height = image.naturalHeight;
    canvas.getContext('2d')?.drawImage(image, 0, 0);
  }

  async function tap(e: MouseEvent): Promise<void> {
    const context = canvas?.getContext('2d', { willReadFrequently: true });
    if (!canvas || !context) return;
    const box = canvas.getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * canvas.width;
    const y = ((e.clientY - box.top) / box.height) * canvas.height;
    const colour = around(context, x, y);
    if (!paper || found) {
      paper = colour;
      found = null;
      return;
    }
    const body = { way: 'light', numbers: { paper: [...paper], crust: [...colour] } };
    found = (await ask(api.POST('/api/v1/measures', { body }))).data;
  }

  async function note(quantity: 'crust_l' | 'crumb_l'): Promise<void> {
    if (!found || found.value === null) return;
    const { value, sd, n, method } = found;
    await noteReading(trial.id, { quantity, value, sd, n, method, arm: photo.arm, day: 0, replaces: '' });
    onclose();
    await changed();
  }
</script>

<Sheet open={true} wide title="Photo at {photo.moment}" {onclose}>
  <img
    class="hidden"
    src="/api/v1/photos/{photo.id}"
    alt=""
    onload={(e) => draw(e.currentTarget as HTMLImageElement)}
  />
  <button
    class="photo"
    aria-label="The photo. Tap white paper in it, then the crust or the crumb."
    onclick={(e) => attempt(() => tap(e))}><canvas bind:this={canvas}></canvas></button
  >
  <p role="status">
    {#if found && found.value !== null}
      Lightness <b class="num">{figure(found.value, 0)}</b> of 100 <span class="soft">± 10</span>
      <button class="action" onclick={() => attempt(() => note('crust_l'))}>Note it for the crust</button>
      <button class="action" onclick={() => attempt(() => note('crumb_l'))}>for the crumb</button>
    {:else if paper}Now tap the crust, or the crumb.
    {:else}<span class="soft"
        >With white paper in the picture, tap the paper and then the crust: its lightness is worked out.</span
      >{/if}
  </p>
  {#if sure}
    <button class="action" onclick={() => remove(photo)}>Take it away for good</button>
    <button class="link" onclick={() => (sure = false)}>keep it</button>
  {:else}<button class="link" onclick={() => (sure = true)}>Take this photo away</button>{/if}
</Sheet>

<style>
  canvas {
    display: block;
    max-width: 100%;
    max-height: 60vh;
    cursor: crosshair;
  }

  .photo {
    display: block;
    padding: 0;
  }

  .hidden {
    display: none;
  }
</style>
