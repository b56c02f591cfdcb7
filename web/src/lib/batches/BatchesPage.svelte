<!-- All batches: what needs a hand first, then the newest; plan one from a kept blend. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { allPages, api, ask, wordsOf, type Schemas } from '../api/client';
  import { day } from '../ui/format';
  import { attempt } from '../ui/state/attempt';
  import { notices } from '../ui/state/notices.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import MiniColumn from '../blends/column/MiniColumn.svelte';
  import { planBatch } from './doing';
  import { kilos, STATES, type Standing } from './types';

  let items = $state.raw<Standing[] | null>(null);
  let say = $state('');
  let more = $state<number | null>(null);
  let blends = $state.raw<Schemas['BlendSummary'][]>([]);
  let chosen = $state('');
  let code = $state('');
  let order = $state('');
  let trouble = $state('');

  async function load(): Promise<void> {
    trouble = '';
    try {
      const { data } = await ask(api.GET('/api/v1/batches', { params: { query: { limit: 50 } } }));
      [items, say, more] = [data.items, data.say, data.next];
      order = (await ask(api.GET('/api/v1/batches/order'))).data.say;
      const query = { limit: 100, archived: '0' as const };
      const found = await allPages((cursor) =>
        ask(api.GET('/api/v1/blends', { params: { query: { ...query, cursor } } }))
      );
      blends = found.filter((b) => b.standing.state !== 'empty');
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function older(): Promise<void> {
    const { data } = await ask(
      api.GET('/api/v1/batches', { params: { query: { cursor: more ?? undefined } } })
    );
    [items, more] = [[...(items ?? []), ...data.items], data.next];
  }

  /** Goes to the batch of a code that was typed, scanned or pasted. */
  async function find(event: Event): Promise<void> {
    event.preventDefault();
    const typed = code.startsWith('FSB1$') ? (code.split('$')[1] ?? '') : code;
    const { data } = await ask(api.GET('/api/v1/batches/code', { params: { query: { typed } } }));
    if (data.batch_id) await push(`/batch/${data.batch_id}`);
    else
      notices.say(
        data.valid
          ? `${data.code} is no batch of this kitchen`
          : `${data.code}: its check does not hold, look again`,
        true
      );
  }

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else if items}
  <div class="page">
    <div class="page-head">
      <h1>Batches</h1>
      <label>
        <span class="sr-only">Blend to make in bulk</span>
        <select bind:value={chosen}>
          <option value="">Make a kept blend …</option>
          {#each blends as b (b.head.id)}<option value={String(b.head.id)}>{b.head.name}</option>{/each}
        </select>
      </label>
      <button class="action main" disabled={!chosen} onclick={() => attempt(() => planBatch(Number(chosen)))}
        >Plan a batch</button
      >
      <form onsubmit={(e) => void attempt(() => find(e))}>
        <label>
          <span class="sr-only">Code on a bag</span>
          <input class="field" placeholder="Code on a bag" autocomplete="off" bind:value={code} />
        </label>
        <button class="action" disabled={!code.trim()}>Find</button>
      </form>
      <a class="action" href="#/bins">Bins</a>
      <a class="action" href="#/stock">Count and buy</a>
    </div>
    {#if say}<p class="say" data-says>{say}</p>{/if}
    {#if order}<p class="close" data-order>◆ {order}</p>{/if}
    <ul>
      {#each items as b (b.id)}
        <li>
          <a href="#/batch/{b.id}">
            <MiniColumn layers={b.column} height={52} width={20} />
            <span class="what">
              <span class="name">{b.name}</span>
              <span class="small soft"
                >revision {b.revision}{b.made_on ? `, made ${day(b.made_on)}` : ''}</span
              >
            </span>
            <span class="num code">{b.code || '–'}</span>
            <span>
              {#if b.binder_is_in === null}binder unknown{:else if b.binder_is_in}<b>binder in</b
                >{:else}binder not in{/if}
            </span>
            <span>
              {#if b.made_g}
                <span class="tube" aria-hidden="true"
                  ><i style:width="{(100 * b.left_g) / b.made_g}%"></i></span
                >
                <span class="small soft">{kilos(b.left_g)} of {kilos(b.made_g)}</span>
              {/if}
            </span>
            <span class="small">
              {#if b.use_by}use by {day(b.use_by)}<br /><span class="soft">{b.use_by_why}</span>{/if}
            </span>
            <span class={b.hand === 'held' ? 'held' : b.hand ? 'close' : 'soft'}>
              {#if b.hand === 'held'}■ held: {b.hand_say}{:else if b.hand}◆ {b.hand_say}{:else}{STATES[
                  b.state
                ]}{/if}
            </span>
          </a>
        </li>
      {:else}
        <li class="none">
          Make a mix ahead, and know what is in the bin. Choose a kept blend: the batch keeps its revision,
          says from which sacks it was drawn, when it goes stale, and whether its binder is in.
        </li>
      {/each}
    </ul>
    {#if more}<button class="action" onclick={() => attempt(older)}>Older batches</button>{/if}
  </div>
{:else}
  <p class="soft" role="status">Lifting the lids …</p>
{/if}

<style>
  .say {
    margin: 0.75rem 0 0.25rem;
    font-size: var(--lead);
    font-weight: 600;
  }

  form {
    display: flex;
    gap: 0.4rem;
    margin-left: auto;
  }

  form .field {
    width: 10rem;
    min-height: 40px;
  }

  select {
    min-height: 40px;
    max-width: 16rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
    padding: 0 0.5rem;
  }

  ul {
    margin: 0.5rem 0;
  }

  li {
    border-bottom: 1px solid var(--hairline);
  }

  .none {
    padding: 1rem 0;
    max-width: 42rem;
  }

  li a {
    display: grid;
    grid-template-columns: 24px minmax(11rem, 1.2fr) 7rem 7.5rem 9rem minmax(11rem, 1.4fr) minmax(8rem, 1fr);
    gap: 0.25rem 1rem;
    align-items: center;
    padding: 0.5rem 0.35rem;
    color: var(--ink);
    text-decoration: none;
  }

  li a:hover {
    background: var(--sheet);
  }

  .what {
    display: grid;
  }

  .name {
    font-weight: 600;
  }

  .code {
    text-align: left;
  }

  .tube {
    display: block;
    height: 10px;
    border: 1px solid var(--tube);
    background: var(--sheet);
  }

  .tube i {
    display: block;
    height: 100%;
    background: var(--role-whole_grain);
  }

  @media (max-width: 900px) {
    li a {
      grid-template-columns: 24px 1fr 1fr;
    }

    li a > :nth-child(4) {
      grid-column: 2;
    }

    li a > :nth-child(n + 6) {
      grid-column: 2 / -1;
    }

    form {
      margin-left: 0;
    }
  }
</style>
