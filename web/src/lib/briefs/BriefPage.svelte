<!-- A brief, written as sentences with blanks. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, ProblemError, wordsOf } from '../api/client';
  import { spaced } from '../ui/format';
  import { kitchen } from '../app/kitchen.svelte';
  import { notices } from '../ui/state/notices.svelte';
  import { loadOn } from '../ui/state/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { remembered } from '../ui/state/remembered';
  import { BAGS, BriefDraft, type Typed } from './brief.svelte';
  import AlsoFor from './AlsoFor.svelte';
  import Exclude from './Exclude.svelte';
  import Wishes from './Wishes.svelte';

  const { params }: { params: { id: string } } = $props();
  const isNew = $derived(params.id === 'new');
  let draft = $state.raw<BriefDraft | null>(null);
  let trouble = $state('');
  let wrong = $state('');
  let busy = $state(false);

  /** What is typed and not saved yet stays in this browser, with the version it was typed on. */
  const left = (id: string) => remembered<{ version: string; typed?: Typed }>(`brief ${id}`, { version: '' });
  let before = '';
  let mine = $state(''); // which brief the draft is of: the address may be ahead of it
  let found = $state(false);

  function begin(id: string, made: BriefDraft): void {
    mine = id;
    before = JSON.stringify(made.typed);
    const { version, typed } = left(id).read();
    found = typed !== undefined && version === made.version;
    if (found) made.take(typed!);
    draft = made;
  }

  $effect(() => {
    if (!draft) return;
    const typed = draft.typed;
    if (JSON.stringify(typed) !== before) left(mine).keep({ version: draft.version, typed });
    else left(mine).keep({ version: '' });
  });

  function forget(): void {
    left(params.id).keep({ version: '' });
    void load(params.id);
  }

  async function load(id: string): Promise<void> {
    trouble = '';
    if (id === 'new') return begin(id, new BriefDraft());
    try {
      const path = { brief_id: Number(id) };
      const answer = await ask(api.GET('/api/v1/briefs/{brief_id}', { params: { path } }));
      begin(id, BriefDraft.from(answer.data.brief, answer.version));
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => params.id, load);

  async function save(event?: Event): Promise<void> {
    event?.preventDefault();
    if (!draft) return;
    busy = true;
    wrong = '';
    try {
      await draft.save(isNew ? null : Number(params.id), (m) => kitchen.metric(m).label);
      before = JSON.stringify(draft.typed);
      left(params.id).keep({ version: '' });
      notices.say(draft.archived ? 'The brief is put away.' : 'The brief is saved.');
      await push('/');
    } catch (error) {
      wrong =
        error instanceof ProblemError && error.status === 412
          ? 'Someone else saved this brief in between. What you typed is still here: note it, then load the brief anew.'
          : wordsOf(error);
    } finally {
      busy = false;
    }
  }

  function putAway(): void {
    if (!draft) return;
    draft.archived = !draft.archived;
    void save();
  }
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load(params.id)} />
{:else if draft && mine === params.id}
  {@const d = draft}
  <form class="page" onsubmit={save}>
    <h1>{isNew ? 'A new brief' : d.name}</h1>
    {#if found}
      <p class="close" role="status">
        ◆ What you typed before and did not save is here again.
        <button type="button" class="link" onclick={forget}>Back to what is saved</button>
      </p>
    {/if}
    <p class="line">
      <label for="name">This brief is called</label>
      <input id="name" class="field name" maxlength="120" bind:value={d.name} placeholder="Sunday tin loaf" />
    </p>
    <p class="line">
      <label for="use">It asks for a mix for</label>
      <select id="use" class="field" bind:value={d.use}>
        {#each kitchen.reference?.uses ?? [] as use (use.slug)}<option value={use.slug}
            >{use.name.toLowerCase()}</option
          >{/each}
      </select>
      <label for="eaters">eaten by</label>
      <input
        id="eaters"
        class="field eaters"
        maxlength="2000"
        bind:value={d.eaters}
        placeholder="the whole table"
      />
      <label for="aim">and it should be</label>
      <select id="aim" class="field" bind:value={d.aim}>
        {#each kitchen.reference?.aims ?? [] as aim (aim.name)}<option value={aim.name}>{aim.label}</option
          >{/each}
      </select>
    </p>

    <AlsoFor draft={d} />

    <fieldset>
      <legend>Nothing in it may contain</legend>
      <div class="chips">
        {#each kitchen.reference?.allergens ?? [] as allergen (allergen.name)}
          <button
            type="button"
            class="action chip"
            aria-pressed={d.allergens.includes(allergen.name)}
            onclick={() => d.toggleAllergen(allergen.name)}>{spaced(allergen.label)}</button
          >
        {/each}
      </div>
      <p class="soft small">
        By what is on record for each ingredient. Cross-contact in the mill or kitchen is not seen here.
      </p>
    </fieldset>

    <Exclude draft={d} />

    <p class="line">
      <label for="price">It may cost at most</label>
      <input id="price" class="field num short" inputmode="decimal" bind:value={d.price} placeholder="any" />
      <span>{kitchen.settings?.currency} per kg,</span>
      <label for="bins">need at most</label>
      <input id="bins" class="field num short" inputmode="numeric" bind:value={d.bins} placeholder="any" />
      <span>bins, and hold at most</span>
      <label class="sr-only" for="gluten">Gluten, mg per kg</label>
      <input
        id="gluten"
        class="field num short"
        inputmode="decimal"
        bind:value={d.gluten}
        placeholder="any"
      />
      <span>mg gluten per kg, by declared or tested values.</span>
    </p>
    <p class="soft small">
      A limit on gluten is a budget for what is known. It proves nothing: legal limits differ, and testing and
      certification decide.
    </p>

    <p class="line">
      <label for="bag">The bag shall hold</label>
      <select id="bag" class="field" bind:value={d.bag}>
        <option value="">whatever suits</option>
        {#each BAGS as kind (kind.name)}<option value={kind.name}>{kind.label}</option>{/each}
      </select>
      <label for="gum">with gums at most</label>
      <input id="gum" class="field num short" inputmode="decimal" bind:value={d.gum} placeholder="any" />
      <span>% of flour; 0 is no gums.</span>
    </p>

    <Wishes draft={d} />

    <p class="line note">
      <label for="note">Worth knowing</label>
      <textarea id="note" class="field" rows="2" maxlength="2000" bind:value={d.note}></textarea>
    </p>
    {#if wrong}<p class="held my-2" role="alert">{wrong}</p>{/if}
    <p class="mt-4 flex gap-3">
      <button class="action main" disabled={busy}>Save the brief</button>
      <a class="action" href="#/">Leave it</a>
      {#if !isNew}
        <button type="button" class="action quiet ml-auto" onclick={putAway}>
          {d.archived ? 'Take it up again' : 'Put the brief away'}
        </button>
      {/if}
    </p>
  </form>
{/if}

<style>
  .page {
    max-width: 56rem;
  }

  .line {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem 0.6rem;
    margin: 0.9rem 0;
  }

  .name {
    flex: 1 1 16rem;
    max-width: 28rem;
    font-weight: 600;
  }

  .eaters {
    flex: 1 1 14rem;
  }

  .short {
    width: 5rem;
  }

  .note textarea {
    flex: 1 1 20rem;
  }

  fieldset {
    margin: 1rem 0;
  }

  .chips {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    margin: 0.4rem 0;
  }

  .chip[aria-pressed='true'] {
    border-color: var(--held);
    background: var(--held-wash);
    text-decoration: line-through;
  }
</style>
