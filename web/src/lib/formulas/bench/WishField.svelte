<!-- One blank of a scaling: a number, in cm or inches where it is a length, that may be left empty where it may. -->
<script lang="ts">
  import { CM_PER_INCH, type Scaling, type Wish } from '../tabs/scaling.svelte';

  interface Props {
    scaling: Scaling;
    name: keyof Wish;
    before?: string;
    after?: string;
    least?: number;
    optional?: boolean;
    /** What stands there while nothing is typed. */
    otherwise?: number | null;
  }
  const {
    scaling,
    name,
    before = '',
    after = '',
    least = 0.001,
    optional = false,
    otherwise = null
  }: Props = $props();
  const isLength = $derived(name.endsWith('_cm'));
  const k = $derived(isLength && scaling.wish.inches ? CM_PER_INCH : 1);
  const value = $derived((scaling.wish[name] as number | null) ?? otherwise);
  const shown = $derived(value === null ? '' : String(Math.round((value / k) * 100) / 100));

  function take(text: string): void {
    const typed = Number(text.replace(',', '.'));
    if (optional && !text.trim()) scaling.wish = { ...scaling.wish, [name]: null };
    else if (text.trim() && Number.isFinite(typed) && typed >= least)
      scaling.wish = { ...scaling.wish, [name]: typed * k };
  }
</script>

<label>
  {before}
  <input
    class="field num"
    inputmode="decimal"
    autocomplete="off"
    data-wish={name}
    value={shown}
    onchange={(e) => {
      take(e.currentTarget.value);
      e.currentTarget.value = shown;
    }}
    oninput={(e) => take(e.currentTarget.value)}
  />
  {after}
</label>

<style>
  label {
    display: inline-flex;
    align-items: center;
    gap: 0.3rem;
  }

  input.num {
    width: 3.9rem;
  }
</style>
