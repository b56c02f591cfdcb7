<!-- A slice of bread: outline waiting, half now, full done, struck where it is left out; textured once it is known. -->
<script lang="ts">
  interface Props {
    state: string;
    texture?: number | null;
    size?: number;
  }
  const { state, texture = null, size = 40 }: Props = $props();
  const SHAPE = 'M3 37V14C3 6 9 3 20 3s17 3 17 11v23z';
</script>

<svg
  class="slice {state.replace(' ', '-')}"
  width={size}
  height={size}
  viewBox="0 0 40 40"
  aria-hidden="true"
>
  {#if state === 'full' || state === 'now'}
    <path class="fill t{texture ?? 'none'}" d={state === 'now' ? 'M3 37V14C3 6 9 3 20 3v34z' : SHAPE} />
    {#if texture !== null && state === 'full'}<path d={SHAPE} fill="url(#slice-{texture})" class="tex" />{/if}
  {/if}
  <path class="line" d={SHAPE} />
  {#if state === 'left out'}<path class="strike" d="M3 38L37 4" />{/if}
</svg>

<style>
  .line {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.7;
  }

  .waiting .line,
  .withheld .line {
    stroke-dasharray: 3.5 2.6;
    stroke: var(--soft);
  }

  .left-out .line,
  .strike {
    stroke: var(--held);
    stroke-width: 1.8;
    fill: none;
  }

  .fill {
    fill: var(--crust, #ead9b6);
  }

  .t0 {
    fill: #e6cb84;
  }

  .t1 {
    fill: #c99a6b;
  }

  .t2 {
    fill: #f1e4cc;
  }

  .t3 {
    fill: #d9b9a0;
  }

  .t4 {
    fill: #bfae84;
  }

  .t5 {
    fill: #e8d7d0;
  }

  .t6 {
    fill: #cfc7a8;
  }

  .t7 {
    fill: #b98f7a;
  }

  .tex {
    stroke: none;
  }
</style>
