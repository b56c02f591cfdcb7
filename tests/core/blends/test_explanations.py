"""How a number was worked out: the terms add up to the number on screen, for every metric of any mix."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.explanation import explain
from fallow_sieve.core.blends.metrics import METRICS, MetricKind
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.blends.uses import fit_to
from fallow_sieve.core.values.errors import UnknownNameError
from fallow_sieve.core.values.quantities import cup_ml
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fuzzing import examples
from kit import blend, flour, shelf_of

SHELF = library_shelf()
OF_THE_BAG = {"binder_load", *(m.name for m in METRICS.values() if m.kind is MetricKind.BAG)}
ADDED_UP = sorted(set(METRICS) - {"density_g_per_ml", "cup_g", "amylose_pct_of_starch"} - OF_THE_BAG)
DOSES = {"psyllium-husk": 4.0}
LOAF = Blend(
    tuple(
        Part(s, m)
        for s, m in (("sorghum-flour", 300), ("brown-rice-flour", 150), ("potato-starch", 220), ("psyllium-husk", 40))
    )
)


@pytest.mark.parametrize("metric", ADDED_UP)
def test_the_terms_add_up_to_the_metric(metric):
    terms = explain(LOAF, SHELF, metric).terms
    assert sum(t.gives for t in terms) == pytest.approx(analyse(LOAF, SHELF).metrics[metric].typical)


@given(
    st.dictionaries(st.sampled_from([i.slug for i in SHELF.ingredients]), st.floats(1, 1000), min_size=1, max_size=8),
    st.sampled_from(ADDED_UP),
)
@settings(max_examples=examples(80))
def test_the_terms_of_any_mix_add_up_where_the_metric_is_known(masses, metric):
    blend = Blend(tuple(Part(s, m) for s, m in masses.items()))
    typical = analyse(blend, SHELF).metrics[metric].typical
    if typical is not None:
        gives = [t.gives for t in explain(blend, SHELF, metric).terms if t.gives is not None]
        assert sum(gives) == pytest.approx(typical, abs=1e-9)


def test_what_lies_in_the_bag_adds_up_to_the_number_it_is_judged_by():
    bag = Blend(
        (
            *LOAF.parts,
            Part("salt", 12),
            Part("baking-powder", 5),
            Part("baking-soda", 3),
            Part("honey", 20),
            Part("ghee", 9),
            Part("whole-egg-powder", 12),
            Part("skim-milk-powder", 6),
        )
    )
    use = rules().uses["tin-loaf"]
    shown = {b.band.metric: b.estimate.typical for b in fit_to(use, analyse(bag, SHELF)).bands}
    for metric in OF_THE_BAG - {"yeast_pct"}:
        terms = explain(bag, SHELF, metric, doses=use.doses).terms
        assert sum(t.gives for t in terms) == pytest.approx(shown[metric])
    flour_g = 670  # dried egg and milk are no flour base
    assert shown["chemical_leavening_pct"] == pytest.approx(100 * (5 + 3 * 3) / flour_g)
    assert shown["egg_pct"] == pytest.approx(100 * 4 * 12 / flour_g)


def test_the_volumes_of_density_add_up_to_that_of_the_mix():
    # Per 100 g of mix each term is a volume in mL.
    volume = sum(t.gives for t in explain(LOAF, SHELF, "density_g_per_ml").terms)
    density = analyse(LOAF, SHELF).metrics["density_g_per_ml"].typical
    assert 100 / volume == pytest.approx(density)
    assert analyse(LOAF, SHELF).metrics["cup_g"].typical == pytest.approx(100 / volume * cup_ml("us"))


def test_amylose_is_the_sum_of_the_amylose_over_the_sum_of_the_starch():
    terms = [t for t in explain(LOAF, SHELF, "amylose_pct_of_starch").terms if t.value is not None]
    amylose, starch = sum(t.gives for t in terms), sum(t.weight_pct for t in terms)
    found = analyse(LOAF, SHELF).metrics["amylose_pct_of_starch"].typical
    assert 100 * amylose / starch == pytest.approx(found)


def test_terms_say_share_own_range_quality_and_source_largest_first():
    terms = explain(LOAF, SHELF, "protein_pct").terms
    assert [t.gives for t in terms] == sorted((t.gives for t in terms), reverse=True)
    top = terms[0]
    assert (top.ingredient, round(top.weight_pct, 2)) == ("sorghum-flour", 42.25)
    assert top.low <= top.value <= top.high
    assert top.quality in {"table", "estimate"}
    assert top.source
    assert sum(t.gives_pct for t in terms) == pytest.approx(100)


def test_binders_have_no_term_in_a_metric_of_the_flour_base():
    assert "psyllium-husk" not in {t.ingredient for t in explain(LOAF, SHELF, "thirst_g_per_g").terms}
    assert "psyllium-husk" in {t.ingredient for t in explain(LOAF, SHELF, "fibre_pct").terms}


def test_a_part_without_a_number_says_so_first():
    blend = Blend((Part("sorghum-flour", 90), Part("xanthan-gum", 10)))
    own = SHELF.with_ingredients([])
    terms = explain(blend, own, "sticky_share_pct").terms
    assert all(t.quality != "unknown" for t in terms)
    missing = explain(Blend((Part("sorghum-flour", 90), Part("wheat-flour", 10))), own, "density_g_per_ml").terms
    assert {t.quality for t in missing} <= {"estimate", "unknown"}


def test_an_unknown_metric_suggests_a_known_one():
    with pytest.raises(UnknownNameError, match="did you mean protein_pct"):
        explain(LOAF, SHELF, "protein_pc")


def test_a_little_more_of_a_part_moves_the_number_as_the_sum_says():
    """100 g of fibre 10 and 100 g of none: 5. With 2 g more of the first 1020/202, of the other 1000/202."""
    shelf = shelf_of(flour("oat", fibre_g=10), flour("rice", fibre_g=0))
    by = {t.ingredient: t.moves for t in explain(blend({"oat": 100, "rice": 100}), shelf, "fibre_pct").terms}
    assert (by["oat"].step_g, by["oat"].by) == (2.0, pytest.approx(1020 / 202 - 5))
    assert by["rice"].by == pytest.approx(1000 / 202 - 5)


@given(st.sampled_from(sorted(METRICS)))
def test_what_a_part_moves_is_what_the_number_is_when_it_is_done(metric):
    part = LOAF.parts[0]
    found = next((t for t in explain(LOAF, SHELF, metric, doses=DOSES).terms if t.ingredient == part.ingredient), None)
    if found is None or found.moves is None:
        return
    more = Blend((Part(part.ingredient, part.mass_g + found.moves.step_g), *LOAF.parts[1:]))
    before, after = (value_of(metric, b) for b in (LOAF, more))
    assert after - before == pytest.approx(found.moves.by, abs=1e-9)


def value_of(metric, mix):
    if metric in OF_THE_BAG:
        return sum(t.gives for t in explain(mix, SHELF, metric, doses=DOSES).terms)
    return analyse(mix, SHELF).metrics[metric].typical
