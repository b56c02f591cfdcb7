<!-- Two to six flours side by side on one basis, and what could stand in for one of them. -->
<script lang="ts">
  import { replace } from 'svelte-spa-router';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import { remembered } from '../../ui/state/remembered';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { bases } from '../shelf/bases';
  import Choice from '../../ui/Choice.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import FlourHead from './FlourHead.svelte';
  import SideCell from './SideCell.svelte';
  import StandIns from './StandIns.svelte';
  import Words from './Words.svelte';

  const { params }: { params: { slugs: string } } = $props();
  const MOST = 6;
  const view = remembered('fallow-side', { basis: '100g' });
  let basis = $state(view.read().basis);
  let found = $state.raw<Schemas['SideBySideOut'] | null>(null);
  let trouble = $state('');
  const slugs = $derived(params.slugs.split(',').filter(Boolean).slice(0, MOST));
  const groups = [
    { name: 'composition', title: 'In it' },
    { name: 'dough', title: 'In dough' },
    { name: 'bin', title: 'In the bin' }
  ];

  async function load(asked: { slugs: string[]; basis: string }): Promise<void> {
    try {
      const query = { slugs: asked.slugs.join(','), basis: asked.basis };
      found = (await ask(api.GET('/api/v1/side-by-side', { params: { query } }))).data;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => ({ slugs, basis }), load);

  const set = (now: string[]): Promise<void> => replace(`/side-by-side/${now.join(',')}`);

  function change(name: string): void {
    basis = name;
    view.keep({ basis });
  }

  const headline = $derived(found?.say || (found?.flours[0]?.name ?? ''));
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load({ slugs, basis })} />
{:else if found}
  {@const f = found}
  <div class="page" style:--count={f.flours.length}>
    <div class="page-head">
      <h1>{headline}</h1>
      <span>
        Numbers for
        <Choice
          label="Numbers for"
          none=""
          single
          options={bases(kitchen.settings)}
          chosen={[basis]}
          onchange={(c) => change(c[0] ?? '100g')}
        />
      </span>
    </div>
    {#each f.look_alikes as pair (pair.ingredient + pair.taken_for)}
      <p class="alike">
        <strong>Not the same:</strong>
        {f.flours.find((x) => x.slug === pair.ingredient)?.name} and {f.flours
          .find((x) => x.slug === pair.taken_for)
          ?.name.toLowerCase()}. {pair.differ}
      </p>
    {/each}
    {#if f.flours.length > 1}
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <td></td>
              {#each f.flours as flour (flour.slug)}
                <th scope="col">
                  <FlourHead {flour} onput={() => set(slugs.filter((s) => s !== flour.slug))} />
                </th>
              {/each}
            </tr>
          </thead>
          {#each groups as group (group.name)}
            <tbody>
              <tr class="group"><th colspan={f.flours.length + 1} scope="rowgroup">{group.title}</th></tr>
              {#each f.lines.filter((l) => l.column.group === group.name) as line (line.column.name)}
                <tr>
                  <th scope="row"
                    >{line.column.label}
                    <span class="soft small"
                      >{line.column.unit.startsWith('per ') ? kitchen.settings?.currency : ''}
                      {line.column.unit}</span
                    ></th
                  >
                  {#each line.cells as cell, n (n)}
                    <td
                      ><SideCell
                        {cell}
                        column={line.column}
                        scale={line.scale}
                        note={cell ? f.notes[cell.note] : undefined}
                        mass_g={f.basis.mass_g}
                      /></td
                    >
                  {/each}
                </tr>
              {/each}
            </tbody>
          {/each}
          <Words flours={f.flours} />
        </table>
      </div>
    {/if}
    <StandIns
      flours={f.flours}
      full={slugs.length >= MOST}
      onadd={(slug) => set([...slugs, slug])}
      beside={slugs}
    />
  </div>
{:else}
  <p class="page soft" role="status">Laying the flours out …</p>
{/if}

<style>
  h1 {
    flex: 1;
  }

  .alike {
    margin: 0.5rem 0;
    padding: 0.4rem 0.75rem;
    border-left: 4px solid var(--close);
    background: var(--sheet);
  }

  .scroll {
    overflow-x: auto;
  }

  table {
    width: 100%;
    min-width: calc(10rem + var(--count) * 9.5rem);
    border-collapse: collapse;
    table-layout: fixed;
  }

  table :global(th),
  table :global(td) {
    padding: 0.15rem 0.75rem 0.15rem 0;
    border-bottom: 1px solid var(--hairline);
    font-weight: 400;
    text-align: left;
    vertical-align: top;
  }

  thead td {
    width: 11.5rem;
  }

  .group th {
    padding-top: 0.6rem;
    border-bottom-color: var(--ink);
    font-weight: 600;
  }
</style>
