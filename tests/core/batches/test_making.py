"""Planning, drawing, over-pouring, adding, cleaning: rules that hold whatever the numbers are."""

from __future__ import annotations

from datetime import date, timedelta
from itertools import permutations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.batches.adding import Handling, PartIn, comes_apart, order_of_adding
from fallow_sieve.core.batches.cleaning import in_order
from fallow_sieve.core.batches.drawing import LotLeft, split_lots
from fallow_sieve.core.batches.keeping import BestBefore, OpenClock, PartKept, best_before, use_by
from fallow_sieve.core.batches.over_pouring import make_more, take_out
from fallow_sieve.core.batches.planning import Wanted, is_small, needed, next_pour_g, pours
from fallow_sieve.core.batches.yields import learnt_loss_pct, mix_density, scoop_g
from fallow_sieve.core.values import BadInputError, Range
from fallow_sieve.reference import library_shelf

NOW = date(2026, 11, 28)
MASSES = st.dictionaries(st.sampled_from("abcdefgh"), st.floats(20, 5000), min_size=1, max_size=8)


@given(MASSES, st.integers(1, 40), st.floats(50, 2000), st.floats(0, 5))
def test_the_parts_add_up_to_the_need(parts, bags, bag_g, loss):
    found = needed(parts, Wanted(bags, bag_g, loss_pct=loss), 0.1)
    assert found.sum_g == pytest.approx(found.need_g, abs=0.06)
    assert found.need_g * (1 - loss / 100) == pytest.approx(bags * bag_g)


@given(
    st.floats(1, 5000),
    st.lists(st.tuples(st.floats(0, 3000), st.integers(-60, 400) | st.none(), st.booleans()), max_size=6),
)
def test_a_draw_takes_no_more_than_there_is_and_the_earliest_first(need, given_lots):
    lots = [
        LotLeft(f"L{n}", g, None if d is None else NOW + timedelta(days=d), held=held)
        for n, (g, d, held) in enumerate(given_lots)
    ]
    found = split_lots(need, lots, NOW)
    by_code = {x.code: x for x in lots}
    assert sum(d.mass_g for d in found.draws) + found.short_g == pytest.approx(need)
    dates = [by_code[d.code].best_before or date.max for d in found.draws]
    assert dates == sorted(dates)
    assert all(d.mass_g <= by_code[d.code].stock_g and not by_code[d.code].held for d in found.draws)
    assert all(d >= NOW for d in dates)


def test_a_past_lot_is_shown_with_why():
    found = split_lots(10, [LotLeft("A", 50, NOW - timedelta(days=2)), LotLeft("B", 50, NOW, put_away=True)], NOW)
    assert found.left_out == ("A: past its date by 2 days", "B: put away")


@given(MASSES.filter(lambda m: len(m) > 1), st.floats(1.01, 1.5))
def test_rescaling_keeps_every_share(targets, factor):
    first, *others = targets
    poured = {first: targets[first] * factor, **{o: targets[o] * 0.9 for o in others[:1]}}
    found = make_more(targets, poured, first)
    for slug, g in found.targets_g.items():
        assert g / found.targets_g[first] == pytest.approx(targets[slug] / targets[first])
    assert found.targets_g[first] == pytest.approx(poured[first])
    for slug, more in found.top_up_g.items():
        assert poured[slug] + more == pytest.approx(found.targets_g[slug])


def test_making_more_as_worked_by_hand():
    targets = {"a": 220.0, "b": 600.0, "c": 300.0, "d": 980.0}
    found = make_more(targets, {"b": 600.0, "c": 300.0, "a": 242.0}, "a")
    assert found.factor == pytest.approx(1.1)
    assert dict(found.top_up_g) == pytest.approx({"b": 60, "c": 30})
    assert found.more_g == pytest.approx(210)
    assert (
        "too little left of b"
        in make_more(targets, {"b": 600.0, "a": 242.0}, "a", {"b": 10, "c": 999, "d": 9999}).refused
    )
    assert "no room" in make_more(targets, {"b": 600.0, "a": 242.0}, "a", None, 100).refused


def test_what_lies_under_another_part_cannot_be_taken_out():
    assert take_out(220, 2.2, 242, others_under_it=True) is None
    assert take_out(220, 2.2, 221) is None


def test_pours_end_on_what_is_left():
    assert pours(6400, 5000, 850) == 2
    assert next_pour_g(6400, 0, 2) == 3200
    assert next_pour_g(6400, 3204, 1) == 3196
    with pytest.raises(BadInputError, match="container"):
        pours(100, 1000, 960)


def test_a_small_part_may_be_off_by_twice_as_much():
    assert (is_small(299, 6000), is_small(300, 6000)) == (True, False)


def cleans(order, marks):
    on_line, count = frozenset(), 0
    for name in order:
        count += bool(on_line - marks[name])
        on_line = marks[name]
    return count


@given(st.lists(st.frozensets(st.sampled_from(["almond", "soya", "oats"]), max_size=3), min_size=1, max_size=5))
def test_no_other_order_needs_fewer_cleans(marks):
    named = {f"B{n}": m for n, m in enumerate(marks)}
    found = in_order({n: sorted(m) for n, m in named.items()})
    assert sum(found.cleans) == min(cleans(o, named) for o in permutations(named))


def test_gluten_comes_last_and_many_batches_are_ordered_too():
    found = in_order({"W": ["gluten"], "P": [], "A": ["almond"]})
    assert found.order == ("P", "A", "W")
    many = in_order({f"B{n}": ["almond"] * (n % 2) for n in range(14)})
    assert sum(many.cleans) == 0
    assert not many.exact


def test_no_starch_lies_alone_and_husk_comes_last():
    shelf = library_shelf()
    masses = {
        "sorghum-flour": 1700,
        "potato-starch": 1200,
        "tapioca-starch": 900,
        "xanthan-gum": 18,
        "psyllium-husk": 288,
    }
    steps = order_of_adding([PartIn(shelf[s], g) for s, g in masses.items()])
    kinds = [s.kind for s in steps]
    assert kinds[0] is Handling.SIEVE
    assert kinds[-1] is Handling.LAST
    assert next(s for s in steps if s.kind is Handling.UNDER).parts == ("sorghum-flour",)
    assert next(s for s in steps if s.kind is Handling.PREMIX).parts == ("xanthan-gum", "sorghum-flour")
    assert kinds == sorted(kinds, key=list(Handling).index)


def test_parts_of_other_sizes_come_apart():
    shelf = library_shelf()
    parts = [PartIn(shelf["sorghum-flour"], 500), PartIn(shelf["potato-starch"], 400), PartIn(shelf["xanthan-gum"], 5)]
    sizes = {"sorghum-flour": Range(150, 200, 300), "potato-starch": Range(30, 40, 60), "xanthan-gum": Range(1, 1, 1)}
    assert comes_apart(parts, sizes)
    assert not comes_apart(parts, {**sizes, "potato-starch": Range(80, 90, 100)})


def test_mixing_makes_no_flour_younger_and_a_printed_date_is_never_stretched():
    rice = PartKept("brown-rice-flour", date(2027, 4, 17), date(2026, 10, 31), "buying", Range(3, 6, 9))
    found = best_before([rice], NOW)
    assert (found.low, found.typical) == (date(2027, 1, 30), date(2027, 4, 17))
    assert best_before([rice], NOW, 5.0).low <= date(2027, 4, 17)
    assert best_before([rice, PartKept("acorn")], NOW) == BestBefore(None, None, None, None, unknown=("acorn",))


def test_an_open_bin_has_a_second_clock():
    rice = PartKept("brown-rice-flour", None, date(2026, 11, 20), "buying", Range(3, 6, 9))
    clock = OpenClock("whole", Range(30, 60, 90), "fat goes rancid", "")
    kept = best_before([rice], NOW)
    assert use_by(kept, None, clock).clock == "closed"
    assert use_by(kept, date(2026, 11, 3), clock).day == date(2027, 1, 2)
    assert use_by(BestBefore(None, None, None, None, unknown=("acorn",)), None, None).day is None


def test_a_scoop_of_the_summit_mix():
    rows = {  # g in revision 4; loose, typical, packed g/mL
        "sorghum": (300.0, 0.4649, 0.5495, 0.6551), "brown rice": (150.0, 0.4988, 0.6129, 0.782),
        "teff": (110.0, 0.5072, 0.6129, 0.7608), "chickpea": (70.0, 0.3381, 0.4015, 0.5495),
        "potato": (220.0, 0.5495, 0.6763, 0.9299), "tapioca": (150.0, 0.3804, 0.4988, 0.6129),
        "husk": (50.0, 0.2325, 0.317, 0.4015),
    }  # fmt: skip
    parts = {name: row[0] for name, row in rows.items()}
    rho = mix_density(parts, {name: Range(*row[1:]) for name, row in rows.items()})
    assert rho is not None
    held = scoop_g(rho, 60)
    assert [round(x, 1) for x in (held.low, held.typical, held.high)] == [26.5, 32.7, 41.2]
    assert mix_density(parts, {}) is None


def test_the_loss_is_learnt_from_a_vessels_last_eight():
    assert learnt_loss_pct([]) == 1.0
    assert learnt_loss_pct([9.0, 9.0, 9.0, *([0.5] * 8)]) == 0.5
