"""Properties that hold for any blend of the library: mass is conserved, scale and order do not matter."""

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from fallow_sieve.core.blends.analysis import Analysis
from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.blends.composing import add_part, scale_to, set_flour_share
from fallow_sieve.core.blends.differences import difference
from fallow_sieve.core.blends.judgement import judge
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.blends.unsure import analyse
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.reference.ingredients import library_shelf
from fallow_sieve.reference.uses import rules
from fuzzing import examples

SHELF = library_shelf()
SLUGS = [i.slug for i in SHELF.ingredients]
MASSES = st.floats(min_value=0.1, max_value=1e5)
BLENDS = st.dictionaries(st.sampled_from(SLUGS), MASSES, min_size=1, max_size=12).map(
    lambda masses: Blend(tuple(Part(s, m) for s, m in masses.items()))
)
FLOURS = st.dictionaries(
    st.sampled_from([i.slug for i in SHELF.ingredients if i.in_flour_base]), MASSES, min_size=2, max_size=8
).map(lambda masses: tuple(Part(s, m) for s, m in masses.items()))


def numbers(found: Analysis) -> dict[str, float | None]:
    both = {**{n: e.typical for n, e in found.metrics.items()}, **{n: e.typical for n, e in found.nutrients.items()}}
    return both | {"cost": found.cost_per_kg.typical}


def same(a: Analysis, b: Analysis) -> None:
    left, right = numbers(a), numbers(b)
    for name, value in left.items():
        assert right[name] == (pytest.approx(value, rel=1e-9, abs=1e-9) if value is not None else None), name


@given(BLENDS)
def test_the_masses_of_the_parts_are_the_mass_of_the_mix(blend):
    found = analyse(blend, SHELF)
    assert sum(p.mass_g for p in found.parts) == pytest.approx(found.mass_g)
    assert sum(p.mix_pct for p in found.parts) == pytest.approx(100)
    in_flour = [p.flour_pct for p in found.parts if SHELF[p.ingredient].in_flour_base and p.flour_pct is not None]
    assert not in_flour or sum(in_flour) == pytest.approx(100)


@given(BLENDS, st.floats(min_value=0.01, max_value=50))
def test_the_size_of_the_batch_changes_no_number(blend, factor):
    scaled = Blend(tuple(Part(p.ingredient, p.mass_g * factor) for p in blend.parts))
    same(analyse(blend, SHELF), analyse(scaled, SHELF))


@given(BLENDS, st.randoms(use_true_random=False))
def test_the_order_of_the_parts_changes_no_number(blend, random):
    parts = list(blend.parts)
    random.shuffle(parts)
    same(analyse(blend, SHELF), analyse(Blend(tuple(parts)), SHELF))


@given(BLENDS)
def test_a_mean_lies_between_its_parts_and_inside_its_interval(blend):
    found = analyse(blend, SHELF)
    for name, metric in METRICS.items():
        e = found.metrics[name]
        if e.is_known and e.typical is not None and e.low is not None and e.high is not None:
            assert metric.lowest <= e.low <= e.typical <= e.high, name
    known = [SHELF[p.ingredient].range_of("protein_g") for p in blend.parts]
    assume(None not in known)
    protein = [r.typical for r in known if r is not None]
    typical = found.metrics["protein_pct"].typical
    assert typical is not None
    assert min(protein) - 1e-9 <= typical <= max(protein) + 1e-9


@given(BLENDS, st.sampled_from(sorted(rules().uses)))
@settings(max_examples=examples(60))
def test_fit_is_between_0_and_100_and_held_exactly_when_a_weighty_band_is_missed(blend, use):
    fit = judge(blend, SHELF, rules().uses[use], rules()).fit
    assert fit is not None
    if fit.score is not None:
        assert -1e-9 <= fit.score <= 100 + 1e-9
        missed = [b for b in fit.bands if b.desirability == 0 and b.band.weight > 0]
        assert (fit.score == 0) == bool(missed)


@given(FLOURS, st.floats(min_value=0.5, max_value=95))
def test_setting_a_share_of_flour_keeps_the_mass_and_the_others_proportions(parts, share):
    slug, flour_g = parts[0].ingredient, sum(p.mass_g for p in parts)
    after = set_flour_share(parts, slug, share, SHELF)
    assert sum(p.mass_g for p in after) == pytest.approx(flour_g)
    assert after[0].mass_g == pytest.approx(flour_g * share / 100)
    factors = [b.mass_g / a.mass_g for a, b in zip(parts[1:], after[1:], strict=True)]
    assert factors == pytest.approx([factors[0]] * len(factors))


@given(BLENDS, st.floats(min_value=1, max_value=1e6))
def test_a_batch_is_scaled_to_its_mass_and_back(blend, mass_g):
    scaled = scale_to(blend.parts, mass_g, SHELF)
    assert sum(p.mass_g for p in scaled) == pytest.approx(mass_g)
    back = scale_to(scaled, sum(p.mass_g for p in blend.parts), SHELF)
    assert [p.mass_g for p in back] == pytest.approx([p.mass_g for p in blend.parts])


@given(BLENDS, st.sampled_from(SLUGS))
def test_adding_a_part_leaves_the_others_alone(blend, slug):
    if slug in {p.ingredient for p in blend.parts}:
        with pytest.raises(BadInputError, match="in the blend already"):
            add_part(blend.parts, slug, SHELF)
        return
    after = add_part(blend.parts, slug, SHELF)
    assert after[:-1] == blend.parts
    assert after[-1].mass_g > 0


@given(BLENDS, BLENDS)
def test_a_difference_is_nothing_to_itself_and_turns_round_with_its_sides(one, other):
    a, b = analyse(one, SHELF), analyse(other, SHELF)
    assert difference(a, a).parts == ()
    there = {c.what: c.size for c in difference(a, b).parts}
    back = {c.what: -c.size for c in difference(b, a).parts}
    assert there == pytest.approx(back)
