"""Bands that a map speaks for: narrower or shifted, from eight bakes on, never past a hard limit."""

import numpy as np
import pytest

from fallow_sieve.core.experiments.bands_of_map import about_as_good, bands_of_map
from fallow_sieve.core.experiments.regions import Region
from fallow_sieve.core.experiments.study import Baked, study_of
from fallow_sieve.core.values import Band

BAND = Band(2.0, 4.0, 10.0, 12.0)


@pytest.mark.parametrize(
    ("values", "bakes", "expect"),
    [
        ([5.0, 6.0, 7.0], 8, (5.0, 7.0)),
        ([5.0, 7.0], 7, None),  # too few bakes
        ([4.1, 9.9], 9, None),  # hardly another band
        ([9.0, 14.0], 9, (9.0, 12.0)),  # shifted, and cut at the hard limit
        ([1.0, 11.5], 9, None),  # wider: a map narrows or shifts, it does not let out
    ],
)
def test_what_is_proposed(values, bakes, expect):
    found = bands_of_map({"fibre_pct": np.array(values)}, {"fibre_pct": BAND}, bakes)
    assert [(b.low, b.high) for b in found] == ([expect] if expect else [])


def test_blends_about_as_good_lie_about_the_best_and_more_of_them_where_less_matters():
    region = Region(("a", "b"), (0.1, 0.1), (0.9, 0.9))
    baked = [
        Baked((x, 1 - x), 7 - 12 * (x - 0.5) ** 2, number=n)
        for n, x in enumerate((0.1, 0.3, 0.5, 0.5, 0.7, 0.9, 0.4, 0.6))
    ]
    study = study_of(region, baked, (0.5, 0.5))
    near, wide = (about_as_good(study.map, study.drawn_over, tau) for tau in (0.1, 0.6))
    assert near[:, 0].min() <= 0.5 <= near[:, 0].max()
    assert len(near) < len(wide) < len(study.drawn_over)
