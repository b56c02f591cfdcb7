"""A mix judged for all uses at once stands for each as it does alone, the best first."""

import pytest

from fallow_sieve.core.blends import Blend, Part, analyse, fit_to, good_for
from fallow_sieve.core.values import Status, worst_first
from fallow_sieve.reference import blend_on_record, library_shelf, practice_mixes, rules

SHELF, USES = library_shelf(), rules().uses
PANTRY = {
    "sorghum-flour": 250, "brown-rice-flour": 100, "white-rice-flour": 150, "light-buckwheat-flour": 80, "corn-starch": 220,
    "potato-starch": 120, "tapioca-starch": 80,
}  # fmt: skip


def found(masses):
    return good_for(analyse(Blend(tuple(Part(s, g) for s, g in masses.items())), SHELF), USES.values())


@pytest.mark.parametrize("row", practice_mixes()[::37], ids=lambda r: r.key)
def test_each_use_is_judged_as_it_is_alone(row):
    analysis = analyse(blend_on_record(row), SHELF)
    for u in good_for(analysis, USES.values()).uses:
        alone = fit_to(USES[u.use], analysis)
        assert u.score == pytest.approx(alone.score)
        assert u.status is worst_first(alone.bands)[0].status


def test_what_nothing_holds_stands_first_and_then_the_fit_decides():
    uses = found(PANTRY).uses
    by_status = [{Status.PASS: 0, Status.CLOSE: 1, Status.HELD: 2}[u.status] for u in uses]
    assert by_status == sorted(by_status)
    assert len(uses) == len(USES)
    for status in Status:
        scores = [u.score for u in uses if u.status is status]
        assert scores == sorted(scores, reverse=True)


def test_a_sentence_names_the_best_and_what_holds_the_rest():
    assert found(PANTRY).say.startswith("Good for ")
    gummed = found({**PANTRY, "xanthan-gum": 40})
    assert gummed.say == "Good for thickening sauces and soups; held for 30 uses by binder."
    assert next(u.say for u in gummed.uses if u.use == "drop-cookie").startswith("binder ")
    assert next(u.say for u in found({"tapioca-starch": 100}).uses if u.use == "tin-loaf").endswith(" over")
