<!-- The blend that the formula rests on: which revision is pinned, whether a newer one is there and what it changes. -->
<script lang="ts">
  import { allPages, api, ask, wordsOf, type BlendOut, type BlendSummary } from '../../api/client';
  import { serverOf } from '../../document/server';
  import { inWords } from '../../ui/change';
  import { notices } from '../../ui/state/notices.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import type { FormulaBench } from './formula.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const blend = $derived(bench.content.blend);
  const pin = $derived(bench.pin?.newer ? bench.pin : null);
  let choosing = $state(false);
  let blends = $state.raw<BlendSummary[]>([]);
  let picked = $state.raw<BlendOut | null>(null);
  let trouble = $state('');

  async function choose(): Promise<void> {
    choosing = true;
    picked = null;
    trouble = '';
    try {
      const query = { limit: 100 };
      blends = await allPages((cursor) =>
        ask(api.GET('/api/v1/blends', { params: { query: { ...query, cursor } } }))
      );
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function open(blend_id: number): Promise<void> {
    picked = await serverOf<BlendOut['draft']['content']>('blends').get(blend_id);
  }

  function take(found: BlendOut, number: number | null): void {
    const kept = found.revisions.find((r) => r.number === number);
    const { parts } = kept?.content ?? found.draft.content;
    bench.pinBlend({ blend_id: found.head.id, revision: number, name: found.head.name, parts });
    choosing = false;
  }

  function moveOn(): void {
    if (!blend || !pin) return;
    bench.pinBlend({ ...blend, revision: pin.newer, parts: pin.parts });
    notices.say(`Now on revision ${pin.newer}. Undo goes back.`);
  }
</script>

<div class="pin small">
  {#if blend}
    <p>
      On {#if blend.blend_id}<a href="#/bench/{blend.blend_id}">{blend.name}</a>{:else}<b
          >{blend.name || 'its own blend'}</b
        >{/if}{#if blend.revision}, revision {blend.revision}{/if}.
      <button class="link" onclick={choose}>another blend</button>
    </p>
    {#if pin}
      <details>
        <summary>{pin.say} What would change?</summary>
        <ul>
          {#each pin.changes as change, n (n)}<li>
              {inWords(change, change.what === 'binder' ? 2 : 1)}
            </li>{/each}
        </ul>
        <button class="action" onclick={moveOn}>Move to revision {pin.newer}</button>
      </details>
    {/if}
  {:else}
    <button class="action main" onclick={choose}>Choose the blend</button>
  {/if}
</div>

<Sheet
  open={choosing}
  title={picked ? `Which revision of ${picked.head.name}?` : 'Which blend?'}
  onclose={() => (choosing = false)}
>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  {#if picked}
    {@const found = picked}
    <ul class="choices">
      {#each [...found.revisions].reverse() as r (r.number)}
        <li>
          <button class="link" onclick={() => take(found, r.number)}>Revision {r.number}</button>
          <span class="soft small">{r.why}</span>
        </li>
      {/each}
      {#if found.draft.content.parts.length}
        <li>
          <button class="link" onclick={() => take(found, null)}>The draft as it stands</button>
          <span class="soft small">not kept: it may change under the formula's name</span>
        </li>
      {:else}
        <li class="soft">Its draft is empty.</li>
      {/if}
    </ul>
  {:else}
    <ul class="choices">
      {#each blends as b (b.head.id)}
        <li>
          <button class="link" onclick={() => open(b.head.id)}>{b.head.name}</button>
          <span class="soft small">{b.standing.say}</span>
        </li>
      {:else}
        <li class="soft">There is no blend yet. Compose one under Blends first.</li>
      {/each}
    </ul>
  {/if}
</Sheet>

<style>
  .pin {
    margin: 0.3rem 0;
  }

  details {
    margin-top: 0.2rem;
    padding: 0.3rem 0.6rem;
    border-left: 4px solid var(--close);
  }

  summary {
    cursor: pointer;
  }

  details .action {
    margin-top: 0.3rem;
  }

  .choices li {
    padding: 0.3rem 0;
    border-bottom: 1px solid var(--hairline);
  }
</style>
