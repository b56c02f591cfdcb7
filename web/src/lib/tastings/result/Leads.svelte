<!-- Leads, not proof: just about right by counts of marks, words ticked, what was written. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Result } from '../types';

  const { result }: { result: Result } = $props();
</script>

{#if result.looked_at || result.remarks.length}
  <section>
    <h3>
      Leads, not proof: {result.looked_at}
      {result.looked_at === 1 ? 'thing was' : 'things were'} looked at.
    </h3>
    {#if result.rights.length}
      <ul>
        {#each result.rights as r (r.sample + r.attribute)}
          <li>
            <b>{r.sample}, {r.attribute}</b>
            <span
              class="marks"
              role="img"
              aria-label={r.steps.map((s, n) => `${s}: ${r.counts[n]}`).join(', ')}
            >
              {#each r.counts as count, n (n)}
                <span class="box" class:middle={n === 2} title={r.steps[n]}
                  >{#each Array.from({ length: count }, (_, i) => i) as i (i)}<i></i>{/each}</span
                >
              {/each}
            </span>
            <span class="said">{r.say}<span class="small soft">{r.detail}</span></span>
          </li>
        {/each}
      </ul>
      <p class="small soft ends">
        <span>one mark, one taster</span><span>too little</span><span>just right</span><span>too much</span>
      </p>
    {/if}
    {#each result.words as w (w.word)}
      <p class="small">
        “{w.word}”: {w.counts.join(' · ')} ticks; by chance {w.p >= 0.995
          ? 'always'
          : `1 time in ${figure(1 / w.p, 0)}`}, with as many words offered
      </p>
    {/each}
    {#each result.remarks as r, n (n)}<p class="small">Seat {r.seat} of {r.sample}: “{r.text}”</p>{/each}
  </section>
{/if}

<style>
  section {
    border-top: 2px solid var(--soft);
    padding-top: 0.6rem;
    margin-top: 0.8rem;
  }

  h3 {
    margin: 0 0 0.5rem;
    font-size: 1.05rem;
  }

  li,
  .ends {
    display: grid;
    grid-template-columns: 9.5rem 13rem 1fr;
    gap: 1rem;
    align-items: center;
    margin-bottom: 0.5rem;
  }

  .marks {
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    gap: 2px;
  }

  .box {
    display: flex;
    gap: 2px;
    align-items: center;
    padding: 0 3px;
    min-height: 28px;
    background: var(--ground);
    overflow: hidden;
  }

  .box i {
    width: 5px;
    height: 15px;
    background: var(--ink);
  }

  .middle {
    background: var(--passes-wash);
  }

  .middle i {
    background: var(--passes);
  }

  .said {
    display: grid;
    line-height: 1.25;
  }

  .ends {
    grid-template-columns: 9.5rem 4.1rem 4.3rem 4.6rem;
    gap: 0 1rem;
  }

  .ends span:nth-child(3) {
    margin-left: -0.9rem;
    text-align: center;
  }

  .ends span:nth-child(4) {
    margin-left: -1.9rem;
    text-align: right;
  }

  @media (max-width: 700px) {
    li {
      grid-template-columns: 1fr;
      gap: 0.2rem;
    }

    .ends {
      display: none;
    }
  }
</style>
