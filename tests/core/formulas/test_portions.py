"""A loaf is not a portion: what is eaten at once, by the use or as a person says."""

import pytest

from fallow_sieve.core.formulas.portions import Portion, served

SLICE, EIGHTH = Portion("slice", 40.0), Portion("slice", shares=8)


@pytest.mark.parametrize(
    ("portion", "usual", "piece_g", "pieces", "name", "mass_g", "in_batch"),
    [
        (None, SLICE, 800, 2, "slice", 40, 40),  # two loaves of 800 g give 40 slices
        (None, SLICE, 70, 12, "piece", 70, 12),  # a small roll on a loaf's use is one
        (None, EIGHTH, 1200, 1, "slice", 150, 8),
        (None, EIGHTH, 90, 12, "piece", 90, 12),  # a cup cake is one
        (None, None, 55, 24, "piece", 55, 24),
        (Portion("wedge", shares=6), EIGHTH, 1200, 1, "wedge", 200, 6),
        (Portion("two of them", 180.0), SLICE, 90, 12, "two of them", 180, 6),
    ],
)
def test_a_portion_is_as_usual_for_the_use_until_somebody_says(portion, usual, piece_g, pieces, name, mass_g, in_batch):
    found = served(portion, usual, piece_g, pieces)
    assert (found.name, found.mass_g, found.in_batch) == (name, pytest.approx(mass_g), pytest.approx(in_batch))
    assert found.usual is (portion is None)
