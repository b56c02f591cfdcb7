<!-- Photos of a bake: at most six, without what a camera wrote into them; a crust's lightness is read off one. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import { sendFile } from '../../api/sending';
  import { attempt } from '../../ui/state/attempt';
  import { loadOn } from '../../ui/state/loading.svelte';
  import type { Trial } from '../types';
  import PhotoSheet from './PhotoSheet.svelte';

  const { trial, changed }: { trial: Trial; changed: () => Promise<void> } = $props();
  const MOST = 6;
  const MOMENTS = ['mixing', 'rising', 'oven', 'cut', 'day'] as const;
  type Photo = Schemas['PhotoOnRecord'];
  let photos = $state.raw<readonly Photo[]>([]);
  let moment = $state<(typeof MOMENTS)[number]>('cut');
  let shown = $state.raw<Photo | null>(null);
  let busy = $state(false);
  const id = $derived(trial.id);

  async function load(trial_id: number): Promise<void> {
    await attempt(async () => {
      photos = (await ask(api.GET('/api/v1/trials/{trial_id}/photos', { params: { path: { trial_id } } })))
        .data.items;
    });
  }

  async function add(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    if (!file) return;
    busy = true;
    try {
      const path = `trials/${id}/photos?moment=${moment}`;
      photos = (await sendFile<Schemas['PhotosOut']>(path, file.type, file)).items;
    } finally {
      busy = false;
      input.value = '';
    }
  }

  async function remove(photo: Photo): Promise<void> {
    const params = { path: { trial_id: id, photo_id: photo.id } };
    photos = (await ask(api.DELETE('/api/v1/trials/{trial_id}/photos/{photo_id}', { params }))).data.items;
    shown = null;
  }

  loadOn(() => id, load);
</script>

<section aria-label="Photos">
  <ul>
    {#each photos as p, n (p.id)}
      <li>
        <button class="photo" onclick={() => (shown = p)}>
          <img src="/api/v1/photos/{p.id}/thumbnail" alt="Photo {n + 1}, at {p.moment}" />
          <span class="small">{p.moment}</span>
        </button>
      </li>
    {/each}
  </ul>
  {#if photos.length < MOST}
    <div class="add small">
      <label
        >Photo at <select bind:value={moment}
          >{#each MOMENTS as m (m)}<option value={m}>{m === 'day' ? 'a later day' : m}</option>{/each}</select
        ></label
      >
      <label class="action"
        >{busy ? 'Taking it in …' : 'Add a photo'}
        <input
          class="sr-only"
          type="file"
          accept="image/jpeg,image/png,image/webp"
          disabled={busy}
          onchange={(e) => attempt(() => add(e.currentTarget))}
        /></label
      >
      <span class="soft">Place and camera are taken out of it.</span>
    </div>
  {:else}<p class="small soft">Six photos: take one away to add another.</p>{/if}
</section>
{#if shown}
  <PhotoSheet
    {trial}
    photo={shown}
    onclose={() => (shown = null)}
    remove={(p) => attempt(() => remove(p))}
    {changed}
  />
{/if}

<style>
  section {
    margin-top: 1.25rem;
  }

  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
  }

  .photo {
    display: block;
    text-align: left;
  }

  .photo img {
    display: block;
    width: 7.5rem;
    height: 5.6rem;
    object-fit: cover;
    border: 1px solid var(--line);
  }

  .add {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
    margin-top: 0.4rem;
  }

  .add .action:focus-within {
    outline: 3px solid var(--flax);
    outline-offset: 2px;
  }

  select {
    min-height: 40px;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }
</style>
