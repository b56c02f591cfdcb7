<!-- What changed at a bedding plane, and what was learnt there; a hand may write over that. -->
<script lang="ts">
  import { api, type Schemas } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';

  interface Props {
    plane: Schemas['PlaneTold'];
    changed: () => Promise<void>;
  }
  const { plane, changed }: Props = $props();
  let writing = $state(false);

  async function write(found: string): Promise<void> {
    writing = false;
    if (plane.step_to === null || found === plane.by_hand) return;
    const params = { path: { trial_id: plane.step_to } };
    await api.PUT('/api/v1/trials/{trial_id}/found', { params, body: { found } });
    await changed();
  }
</script>

<div class="plane" data-plane="{plane.before}-{plane.after}">
  <div class="told">
    <p>
      <b>{plane.say}</b>
      {#if plane.happened}<span class="small happened">and it happened: {plane.happened}</span>{/if}
    </p>
    {#if plane.by_hand}<p>{plane.by_hand} <span class="small soft">({plane.learned})</span></p>
    {:else}<p class="small">{plane.learned}</p>{/if}
    {#if plane.step_to !== null}
      {#if writing}
        <form
          onsubmit={(e) => {
            e.preventDefault();
            void attempt(() => write(new FormData(e.currentTarget).get('found')?.toString() ?? ''));
          }}
        >
          <input
            name="found"
            maxlength="200"
            value={plane.by_hand}
            aria-label="What was found, in your words"
          />
          <button class="link">keep</button>
        </form>
      {:else}<button class="link small" onclick={() => (writing = true)}>in my words</button>{/if}
    {/if}
  </div>
</div>

<style>
  .told {
    margin: 0 0 0.5rem;
    max-width: 46rem;
  }

  .told p {
    margin: 0;
  }

  .happened {
    display: block;
    color: var(--held);
  }

  form {
    display: flex;
    gap: 0.5rem;
  }

  input {
    flex: 1;
    border: 1px solid var(--line);
    background: transparent;
    min-height: 32px;
  }
</style>
