"""Several responses joined: each wish by hand, a point between two, and a trade of which none is better in both."""

import numpy as np
import pytest

from fallow_sieve.core.experiments.regions import Region
from fallow_sieve.core.experiments.study import Baked, study_of
from fallow_sieve.core.experiments.wishes import Wish, join

LINE = Region(("a", "b"), (0.0, 0.0), (1.0, 1.0))


def study(truth):
    return study_of(
        LINE, [Baked((x, 1 - x), truth(x), number=n) for n, x in enumerate((0, 0.25, 0.5, 0.75, 1, 0.5))], (0.5, 0.5)
    )


def test_a_wish_is_met_whole_at_best_and_a_little_at_the_least():
    met = Wish(5.0, 7.0).met(np.array([3.0, 5.0, 6.0, 7.0, 9.0]))
    assert met[0] < met[1] < met[2] < met[3] == met[4] == 1.0
    # half way between the wall's worth and 1
    assert met[2] == pytest.approx((met[1] + 1) / 2)
    assert Wish(10.0, 8.0).met(np.array([8.0, 10.0]))[0] == 1.0  # less is better


def test_what_is_joined_lies_between_what_each_wants():
    liking, volume = study(lambda x: 4 + 4 * x), study(lambda x: 3.5 - 1.5 * x)
    found = join([liking.map, volume.map], [Wish(5, 8), Wish(2, 3.5)], liking.grid)
    assert 0.2 < found.x[0] < 0.8
    assert found.low <= found.mean <= found.high <= 1.0
    alone = join([liking.map], [Wish(5, 8)], liking.grid)
    assert alone.x[0] > found.x[0]
    assert alone.line == ()


def test_what_counts_more_draws_the_point_to_it():
    liking, volume = study(lambda x: 4 + 4 * x), study(lambda x: 3.5 - 1.5 * x)
    even = join([liking.map, volume.map], [Wish(4, 8), Wish(2, 3.5)], liking.grid)
    heavy = join([liking.map, volume.map], [Wish(4, 8, 4.0), Wish(2, 3.5)], liking.grid)
    assert heavy.x[0] > even.x[0]


def test_none_on_the_line_is_better_in_both():
    liking, volume = study(lambda x: 4 + 4 * x - 2 * x**2), study(lambda x: 3.5 - 1.5 * x)
    line = join([liking.map, volume.map], [Wish(4, 8), Wish(2, 3.5)], liking.grid).line
    assert len(line) > 3
    for _, a, b in line:
        assert not any(c > a + 1e-9 and d > b + 1e-9 for _, c, d in line)
