"""The judgement of a 12-part blend against the bare matrix product under it."""

from __future__ import annotations

import numpy as np

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.judgement import judge
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import fit_to, good_for
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from measuring import in_blocks, noted, percentile

AIM = 300
SLUGS = (
    "sorghum-flour", "brown-rice-flour", "teff-flour", "millet-flour", "buckwheat-flour", "oat-flour", "potato-starch",
    "tapioca-starch", "corn-starch", "chickpea-flour", "almond-flour", "psyllium-husk",
)  # fmt: skip


def main() -> None:
    shelf, use = library_shelf(), rules().uses["tin-loaf"]
    blend = Blend(tuple(Part(s, 100.0 + n) for n, s in enumerate(SLUGS)))
    rows = np.array([shelf.row_of[s] for s in SLUGS])
    weights, matrix = np.full(len(SLUGS), 1 / len(SLUGS)), shelf.typical[rows]
    bare, fitted, judged, for_all = in_blocks(
        lambda: weights @ matrix,
        lambda: fit_to(use, analyse(blend, shelf)),
        lambda: judge(blend, shelf, use, rules()),
        lambda: good_for(analyse(blend, shelf), rules().uses.values()),
    )
    print(f"12 parts × {matrix.shape[1]} fields; medians of blocks in which each is called 50 times, in turn")
    print(f"  bare NumPy product of that shape          {percentile(bare, 0.5) * 1e6:8.2f} µs")
    for name, times in (
        ("analyse and fit, with all intervals", fitted),
        ("whole judgement, with cautions and limits", judged),
    ):
        ratio = percentile(times, 0.5) / percentile(bare, 0.5)
        noted(name, percentile(times, 0.5), "bare product", percentile(bare, 0.5), f"≤ {AIM} (analyse and fit)")
        print(f"  {name:<41} {percentile(times, 0.5) * 1e6:8.2f} µs   ratio {ratio:.0f}")
    ratio = percentile(for_all, 0.5) / percentile(judged, 0.5)
    print(f"  for all {len(rules().uses)} uses, against one judgement        ratio {ratio:.1f} (aim 4)")
    print(f"  aim for analyse and fit: a ratio of at most {AIM}")


if __name__ == "__main__":
    main()
