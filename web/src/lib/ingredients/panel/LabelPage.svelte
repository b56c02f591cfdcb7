<!-- A label panel, typed as the bag prints it, judged while it is typed. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import { FIELDS, Label, type Typed } from './label.svelte';
  import Paste from './Paste.svelte';
  import PrintedLine from './PrintedLine.svelte';

  const { params }: { params: { slug: string } } = $props();
  let label = $state.raw<Label | null>(null);
  let whole = $state.raw<Schemas['WholeIngredientOut'] | null>(null);
  let lots = $state.raw<Schemas['LotFullOut'][]>([]);
  let trouble = $state('');

  async function load(slug: string): Promise<void> {
    trouble = '';
    try {
      const path = { slug };
      const [found, all] = await Promise.all([
        ask(api.GET('/api/v1/ingredients/{slug}/whole', { params: { path } })),
        ask(api.GET('/api/v1/ingredients/{slug}/lots', { params: { path } }))
      ]);
      whole = found.data;
      lots = all.data.items.filter((l) => !l.archived);
      label = new Label(slug);
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => params.slug, load);

  const say = $derived.by(() => {
    if (!label || label.empty) return 'Type what the bag prints, on the bag’s own serving.';
    if (label.wrong) return 'It cannot be read yet.';
    const checks = label.found?.checks ?? [];
    const impossible = checks.filter((c) => c.severity === 'impossible').length;
    if (impossible)
      return impossible === 1 ? 'One thing in it cannot be.' : `${impossible} things in it cannot be.`;
    if (checks.length)
      return checks.length === 1 ? 'One thing to look at.' : `${checks.length} things to look at.`;
    return 'It adds up.';
  });

  async function use(): Promise<void> {
    if (!label || !(await label.use())) return;
    notices.say('The label is on record, and its numbers are used from now on.');
    await push(`/ingredients/${params.slug}`);
  }
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load(params.slug)} />
{:else if label && whole}
  {@const l = label}
  {@const t = l.typed}
  <div class="page">
    <div class="page-head">
      <h1>{say}</h1>
      <a class="action" href="#/ingredients/{params.slug}">Leave it for now</a>
      <button class="action main" disabled={!l.found?.can_use || !!l.wrong} onclick={use}
        >Use these numbers</button
      >
    </div>
    <p class="sentence">
      The label of
      <select
        class="field"
        aria-label="Which bag"
        value={String(t.lot_id ?? '')}
        onchange={(e) => l.type({ lot_id: e.currentTarget.value ? Number(e.currentTarget.value) : null })}
      >
        <option value="">{whole.name}, any lot</option>
        {#each lots as lot (lot.id)}<option value={String(lot.id)}>{whole.name}, lot {lot.code}</option
          >{/each}
      </select>
      gives numbers for
      <input
        class="field num short"
        aria-label="Serving"
        inputmode="decimal"
        placeholder="100"
        value={t.amount}
        oninput={(e) => l.type({ amount: e.currentTarget.value })}
      />
      <select
        class="field"
        aria-label="Unit of the serving"
        value={t.unit}
        onchange={(e) => l.type({ unit: e.currentTarget.value as Typed['unit'] })}
      >
        <option value="g">g</option><option value="oz">oz</option><option value="cup">cup</option>
        <option value="tablespoon">tablespoons</option><option value="teaspoon">teaspoons</option>
        <option value="ml">mL</option>
      </select>{#if t.unit !== 'g' && t.unit !== 'oz'}, which weighs
        <input
          class="field num short"
          aria-label="Serving weighs, g"
          inputmode="decimal"
          data-mass="g"
          placeholder="?"
          value={t.weighs}
          oninput={(e) => l.type({ weighs: e.currentTarget.value })}
        /> g{/if}; fibre is
      <select
        class="field"
        aria-label="Convention"
        value={t.convention}
        onchange={(e) => l.type({ convention: e.currentTarget.value as Typed['convention'] })}
      >
        <option value="inside">inside carbohydrate (Americas)</option>
        <option value="apart">apart from carbohydrate (Europe)</option>
      </select>.
    </p>
    {#if l.wrong}<p class="held" role="alert">{l.wrong}</p>{/if}
    {#each l.found?.checks ?? [] as check (check.kind + check.field)}
      <p class="check" class:cannot={check.severity === 'impossible'} role="status">
        <strong>{check.say}</strong>
        {check.look}
        {#if check.field === 'fibre_g' && check.kind === 'inside'}
          <button class="link" onclick={() => l.type({ convention: 'apart' })}>It counts fibre apart</button>
        {/if}
      </p>
    {/each}
    <div class="two">
      <table>
        <thead>
          <tr>
            <th scope="col">On the bag</th>
            <th scope="col" class="num">printed</th>
            <td></td>
            <th scope="col" class="wide">in 100 g, over what is taken so far</th>
            <th scope="col" class="num">in 100 g</th>
            <th scope="col" class="num">by rounding</th>
          </tr>
        </thead>
        <tbody>
          {#each FIELDS as field (field.name)}
            <PrintedLine
              {field}
              value={t.printed[field.name] ?? ''}
              number={l.found?.numbers.find((n) => n.name === field.name)}
              before={whole.numbers.find((n) => n.field === field.name)?.range ?? null}
              wrong={l.place === `/printed/${field.name}`}
              onprint={(value) => l.print(field.name, value)}
            />
          {/each}
        </tbody>
      </table>
      <Paste label={l} />
    </div>
    <p class="soft small">
      Blanks stay unknown. What is printed was rounded: the smaller the serving, the wider the range in 100 g.
      A label says nothing of cross-contact. <a href="#/method/labels">How a label is read</a>
    </p>
  </div>
{:else}
  <p class="page soft" role="status">Fetching the ingredient …</p>
{/if}

<style>
  h1 {
    flex: 1;
  }

  .sentence {
    margin: 0.75rem 0;
    line-height: 2.4;
  }

  .short {
    width: 4.5rem;
  }

  .check {
    margin: 0.35rem 0;
    padding: 0.4rem 0.75rem;
    border-left: 4px solid var(--close);
    background: var(--sheet);
  }

  .cannot {
    border-left-color: var(--held);
    background: var(--held-wash);
  }

  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 19rem;
    gap: 2rem;
    margin-bottom: 0.75rem;
  }

  table {
    width: 100%;
    border-collapse: collapse;
    align-self: start;
  }

  th,
  thead td {
    padding: 0.2rem 0.6rem 0.2rem 0;
    border-bottom: 1px solid var(--ink);
    color: var(--soft);
    font-size: var(--small);
    font-weight: 400;
    text-align: left;
  }

  th.num {
    text-align: right;
  }

  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }

    .wide {
      display: none;
    }
  }
</style>
