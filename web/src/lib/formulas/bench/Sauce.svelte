<!-- How thick a sauce is: each starch by the work it does, and what acid, long boiling and freezing leave of it. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';

  const { sauce }: { sauce: Schemas['Thickening'] } = $props();
  const range = (low: number, high: number): string =>
    high - low < 0.5 ? '' : `${figure(low, 0)}–${figure(high, 0)}`;
  const all = $derived(range(sauce.low, sauce.high));
</script>

<figure aria-label="What thickens it">
  <figcaption>
    {#if sauce.per_litre === null}Nothing in it is known to thicken.
    {:else}As thick as <b>{figure(sauce.per_litre, 0)} g of corn starch</b> to a litre of its water{all
        ? ` (${all})`
        : ''}; {sauce.label.split(':')[0]} wants {figure(sauce.wanted.good_low, 0)}–{figure(
        sauce.wanted.good_high,
        0
      )}.{/if}
  </figcaption>
  {#if sauce.parts.length}
    <table>
      <thead class="small soft"
        ><tr
          ><th scope="col">thickener</th><th scope="col" class="num">g</th><th scope="col" class="num"
            >does the work of</th
          ><th scope="col" class="num">left of it</th><th scope="col">what it does not bear here</th></tr
        ></thead
      >
      <tbody>
        {#each sauce.parts as p (p.ingredient)}
          <tr
            ><th scope="row">{p.name}</th><td class="num">{figure(p.mass_g, p.mass_g < 10 ? 1 : 0)}</td><td
              class="num"
              >{figure(p.does_g.typical, 1)} g
              <span class="small soft">{range(p.does_g.low, p.does_g.high)}</span></td
            ><td class="num">{figure(p.left_g, 1)} g</td><td class="small">{p.minds.join('; ')}</td></tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
  {#if sauce.more}<p><b>{sauce.more}</b></p>{/if}
  <p class="small soft">
    By each starch’s power against corn starch, rules of thumb. <a href="#/method/thickening">How?</a>
  </p>
</figure>

<style>
  figure {
    margin: 0.75rem 0;
  }

  table {
    width: 100%;
    margin: 0.4rem 0;
    border-collapse: collapse;
  }

  th,
  td {
    padding: 0.15rem 0.6rem 0.15rem 0;
    font-weight: 400;
    text-align: left;
    border-bottom: 1px solid var(--hairline);
  }

  .num {
    text-align: right;
    white-space: nowrap;
  }
</style>
