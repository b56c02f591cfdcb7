<!-- Choices: how many chose which, or how many were right; and how large a difference that may be. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';

  const { told }: { told: Schemas['TastingAnswer'] } = $props();
  const most = $derived(Math.max(1, ...told.samples.map((s) => s.mean), told.neither));
  const noticed = $derived(told.noticed);
  const pct = (v: number | undefined): string => figure(v === undefined ? null : 100 * v, 0);
</script>

{#each told.samples as s (s.sample)}
  <div class="row">
    <b>{s.sample}</b>
    <span class="bar"><span style="width: {(100 * s.mean) / most}%"></span></span>
    <b class="num">{figure(s.mean, 0)}</b>
  </div>
{/each}
{#if told.neither}
  <div class="row">
    <span>neither, not counted</span>
    <span class="bar none"><span style="width: {(100 * told.neither) / most}%"></span></span>
    <b class="num">{told.neither}</b>
  </div>
{/if}
{#each told.words as w (w.word)}
  <div class="row">
    <b>{w.word}</b>
    <span
      >{Object.entries(w.counts)
        .map(([s, n]) => `${s} ${n}`)
        .join(' · ')}</span
    >
    <span class="small soft">p {w.corrected_p < 0.001 ? '< 0.001' : figure(w.corrected_p, 3)}</span>
  </div>
{/each}
{#if noticed}
  <dl>
    <dt>Right</dt>
    <dd><b class="num">{noticed.right}</b> of {noticed.answers}</dd>
    <dt>Such people who would notice</dt>
    <dd>
      <b class="num">{pct(noticed.discriminators[0])}</b> % ({pct(noticed.discriminators[1])} to {pct(
        noticed.discriminators[2]
      )})
    </dd>
    <dt>How large it seems (d′)</dt>
    <dd>
      <b class="num">{figure(noticed.d_prime[0], 2)}</b> ({figure(noticed.d_prime[1], 2)} to {figure(
        noticed.d_prime[2],
        2
      )}); 1 is hardly noticed, 2 plain
    </dd>
  </dl>
{/if}

<style>
  .row {
    display: grid;
    grid-template-columns: 11rem minmax(8rem, 22rem) 4rem;
    gap: 1rem;
    align-items: center;
    min-height: 46px;
  }

  .bar {
    height: 30px;
    background: var(--ground);
    border: 1px solid var(--hairline);
  }

  .bar span {
    display: block;
    height: 100%;
    background: var(--ink);
  }

  .bar.none span {
    background: repeating-linear-gradient(135deg, transparent 0 5px, var(--line) 5px 6px);
  }

  .num {
    font-size: 1.6rem;
  }

  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0.3rem 1.2rem;
    align-items: baseline;
    margin: 0 0 1rem;
  }

  dd {
    margin: 0;
  }
</style>
