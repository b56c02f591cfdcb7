<!-- First door: what one wants to bake, in words, read into a brief while it is typed. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { kitchen } from '../app/kitchen.svelte';
  import { composeNew } from '../blends/making';
  import { attempt } from '../ui/state/attempt';
  import { Latest } from '../ui/state/latest';
  import { hand } from './handed';

  type Said = Schemas['SaidBriefOut'];
  let text = $state('');
  let said = $state.raw<Said | null>(null);
  let use = $state('');
  let trouble = $state('');
  const asking = new Latest<string, Said>(
    async (text) => (await ask(api.POST('/api/v1/begin/brief', { body: { text } }))).data,
    (found) => {
      said = found;
      use = found.use ?? '';
      trouble = '';
    },
    (error) => (trouble = wordsOf(error)),
    150
  );
  const aim = $derived(kitchen.reference?.aims.find((a) => a.name === said?.aim)?.label ?? '');

  function write(typed: string): void {
    text = typed;
    if (typed.trim()) asking.ask(typed);
    else {
      asking.forget();
      said = null;
    }
  }

  /** Keeps the brief, and goes to a bench on which blends are proposed for it. */
  async function begin(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      const found = (await ask(api.POST('/api/v1/begin/brief', { body: { text } }))).data;
      said = found;
      const chosen = use || found.use;
      if (!chosen) return;
      const { name, eaters, limits } = found;
      const body = { name, use: chosen, aim: found.aim as Schemas['BriefIn']['aim'], eaters, limits };
      const made = await ask(api.POST('/api/v1/briefs', { body: { ...body, note: text, archived: false } }));
      hand('propose');
      await composeNew(`${name.slice(0, 100)} mix`, made.data.brief.id);
    });
  }
</script>

<form onsubmit={begin}>
  <h2><label for="baking">What do you want to bake?</label></h2>
  <textarea
    id="baking"
    class="field"
    rows="3"
    maxlength="600"
    placeholder="A sandwich loaf in a tin, without nuts, under 4 per kg"
    value={text}
    oninput={(e) => write(e.currentTarget.value)}
    onkeydown={(e) => {
      if (e.key === 'Enter' && !e.shiftKey) void begin(e);
    }}></textarea>
  {#if said}
    <p role="status">
      <b>{said.use_name || 'For which bake?'}</b>
      {[aim, said.eaters && `for ${said.eaters}`, ...said.said].filter(Boolean).join(' · ')}
    </p>
    {#if said.left.length}<p class="close small">◆ Not understood: {said.left.join(', ')}</p>{/if}
    {#if !said.use}
      <select class="field" aria-label="What it is for" bind:value={use}>
        <option value="">choose the nearest</option>
        {#each kitchen.reference?.uses ?? [] as u (u.slug)}<option value={u.slug}>{u.name}</option>{/each}
      </select>
    {/if}
  {/if}
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  <button class="action main" disabled={!text.trim() || (said !== null && !use && !said.use)}
    >Propose a blend for it</button
  >
</form>
