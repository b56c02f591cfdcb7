<!-- Third door: what one has in hand, pasted; what it is decides where it goes on. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { serverOf } from '../document/server';
  import { attempt } from '../ui/state/attempt';
  import { Latest } from '../ui/state/latest';
  import { hand } from './handed';

  type Sorted = Schemas['SortedOut'];
  const GOES: Record<string, [string, string]> = {
    recipe: ['A recipe', 'Read the recipe'],
    mix: ['A mix', 'Judge the mix'],
    list: ['The list of a bag', 'Open the bag'],
    panel: ['The panel of a label', 'Take the label’s numbers'],
    nothing: ['Nothing that is known here', 'Read it']
  };
  let text = $state('');
  let sorted = $state.raw<Sorted | null>(null);
  let trouble = $state('');
  let as = $state('');
  const asking = new Latest<string, Sorted>(
    async (text) => (await ask(api.POST('/api/v1/begin/text', { body: { text } }))).data,
    (found) => {
      [sorted, as, trouble] = [found, '', ''];
    },
    (error) => (trouble = wordsOf(error)),
    150
  );
  const kind = $derived(as || (sorted?.kind ?? ''));

  function write(typed: string): void {
    text = typed;
    if (typed.trim()) asking.ask(typed);
    else {
      asking.forget();
      sorted = null;
    }
  }

  /** A mix goes straight onto a bench where all of it is understood; else it is opened there to be set right. */
  async function judge(): Promise<void> {
    const { data } = await ask(api.POST('/api/v1/recipes/read-mix', { body: { text, chosen: {} } }));
    const read = data.lines.filter((l) => l.ingredient && l.mass_g);
    const whole = read.length === data.lines.length;
    if (!whole) hand('mix', text);
    const parts = (whole ? read : []).map((l) => ({ ingredient: l.ingredient!, mass_g: l.mass_g! }));
    const content = { use: null, parts } as unknown as Schemas['BlendContentOut'];
    const made = await serverOf<typeof content>('blends').add('A mix in hand', null, content);
    await push(`/bench/${made.head.id}`);
  }

  async function go(event: Event): Promise<void> {
    event.preventDefault();
    if (!sorted) return;
    await attempt(async () => {
      if (kind === 'mix') return judge();
      if (kind === 'list') {
        hand('list', sorted!.text, sorted!.panel);
        await push('/blends/open');
      } else if (kind === 'panel') {
        hand(sorted!.ingredient ? 'panel' : 'list', sorted!.ingredient ? text : '', text);
        await push(sorted!.ingredient ? `/ingredients/${sorted!.ingredient}/label` : '/blends/open');
      } else {
        hand('recipe', text);
        await push('/recipe');
      }
    });
  }
</script>

<form onsubmit={go}>
  <h2><label for="in-hand">What have you in hand?</label></h2>
  <textarea
    id="in-hand"
    class="field"
    rows="3"
    maxlength="20000"
    spellcheck="false"
    placeholder="Paste a recipe, a mix, or what a bag prints"
    value={text}
    oninput={(e) => write(e.currentTarget.value)}></textarea>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  {#if sorted}
    <p role="status"><b>{GOES[kind]?.[0]}</b>: {as ? 'as you say' : sorted.why}.</p>
    <label class="small"
      >It is
      <select class="field" value={kind} onchange={(e) => (as = e.currentTarget.value)}>
        {#each Object.entries(GOES) as [k, [label]] (k)}
          {#if k !== 'nothing' || sorted.kind === 'nothing'}<option value={k}>{label.toLowerCase()}</option
            >{/if}
        {/each}
      </select>
    </label>
  {/if}
  <button class="action main" disabled={!sorted || kind === 'nothing'}>{GOES[kind]?.[1] ?? 'Read it'}</button>
</form>
