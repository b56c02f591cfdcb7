<!-- A range on a line from nothing to `end`, over the range that counted before (hatched). -->
<script lang="ts">
  interface Range {
    low: number;
    typical: number;
    high: number;
  }
  interface Props {
    now: Range | null;
    before?: Range | null;
    end: number;
    /** The range is the kitchen's own, not the table's. */
    own?: boolean;
  }
  const { now, before = null, end, own = true }: Props = $props();
  const at = (v: number): number => (100 * Math.max(0, v)) / (end || 1);
</script>

<span class="line" aria-hidden="true">
  {#if before}
    <i class="before" style:left="{at(before.low)}%" style:width="{at(before.high) - at(before.low)}%"></i>
    <i class="tick faint" style:left="{at(before.typical)}%"></i>
  {/if}
  {#if now}
    <i class="now" class:own style:left="{at(now.low)}%" style:width="{at(now.high) - at(now.low)}%"></i>
    <i class="tick" style:left="{at(now.typical)}%"></i>
  {/if}
</span>

<style>
  .line {
    position: relative;
    display: block;
    height: 18px;
    background: linear-gradient(var(--line), var(--line)) 0 50% / 100% 1px no-repeat;
  }

  i {
    position: absolute;
    top: 50%;
  }

  .before {
    height: 14px;
    margin-top: -7px;
    background: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='5' height='5'%3E%3Cpath d='M0 5L5 0' stroke='%2387948d' stroke-width='.9'/%3E%3C/svg%3E");
    outline: 1px solid var(--mesh);
  }

  .now {
    height: 5px;
    min-width: 2px;
    margin-top: -2.5px;
    background: var(--soft);
  }

  .now.own {
    background: var(--flax);
  }

  .tick {
    width: 2px;
    height: 14px;
    margin: -7px 0 0 -1px;
    background: var(--ink);
  }

  .tick.faint {
    background: var(--mesh);
  }
</style>
