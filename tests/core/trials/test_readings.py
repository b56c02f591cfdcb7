"""Readings: three states that are never mixed, corrections by name, arms, and the same whatever order they come in."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.trials.readings import Reading, State, check_reading, in_force, marks, of_arm
from fallow_sieve.core.values import BadInputError
from fallow_sieve.reference import quantities

QUANTITIES = quantities()


def read(quantity, value, **kw):
    return Reading(quantity, value, state=State.PLANNED if value is None else State.NOTED, **kw)


_ONE = st.builds(
    Reading,
    quantity=st.sampled_from(["core_c", "rest_min", "fault:gummy"]),
    value=st.floats(20, 100),
    arm=st.sampled_from(["", "a", "b"]),
    day=st.integers(0, 3),
    at=st.sampled_from(["1", "2", "3"]),
    id=st.uuids().map(str),
    withdrawn=st.booleans(),
)


@given(st.lists(_ONE, max_size=12), st.randoms())
def test_readings_twice_or_out_of_order_give_the_same_trial(readings, random):
    shuffled = [*readings, *readings]
    random.shuffle(shuffled)
    assert set(in_force(shuffled)) == set(in_force(readings))


def test_a_correction_takes_the_place_of_what_it_names():
    first, second = read("core_c", 91.0, id="1", at="1"), read("core_c", 96.0, id="2", at="2", replaces="1")
    assert in_force([second, first]) == (second,)


def test_what_was_taken_back_is_as_if_it_had_not_been_noted():
    noted = read("core_c", 91.0, id="1", at="1", withdrawn=True)
    assert in_force([noted]) == ()


def test_a_correction_that_is_taken_back_leaves_what_it_corrected():
    first = read("core_c", 91.0, id="1", at="1")
    assert in_force([first, read("core_c", 96.0, id="2", at="2", replaces="1", withdrawn=True)]) == (first,)


def test_an_arm_has_the_doughs_readings_and_its_own_over_them():
    dough, own = read("dough_c", 26.0), read("oven_c", 200.0, arm="dark tin")
    shared = read("oven_c", 190.0)
    assert {q: r.value for q, r in of_arm([dough, shared, own], "dark tin").items()} == {
        "dough_c": 26.0,
        "oven_c": 200.0,
    }
    assert of_arm([dough, shared, own], "bright tin")["oven_c"].value == 190.0


def test_looked_and_not_there_is_not_the_same_as_no_mark():
    assert marks([read("fault:gummy", 0.0)]) == {"gummy": 0.0}
    assert marks([]) == {}


def test_the_strongest_arm_speaks_for_the_bake():
    given_ = [read("fault:stuck", 0.0, arm="a"), read("fault:stuck", 3.0, arm="b")]
    assert marks(given_) == {"stuck": 3.0}
    assert marks(given_, "a") == {"stuck": 0.0}


@pytest.mark.parametrize(
    ("reading", "place"),
    [
        (read("core_c", 205.0), "/value"),
        (read("core_c", float("nan")), "/value"),
        (read("coer_c", 96.0), "/quantity"),
        (read("fault:gummy", 4.0), "/value"),
        (read("fault:gummy", None), "/quantity"),
        (read("core_c", 96.0, arm="third tin"), "/arm"),
        (Reading("core_c", None), ""),
        (Reading("core_c", 96.0, state=State.PLANNED), ""),
    ],
)
def test_a_reading_that_cannot_be_names_its_place(reading, place):
    with pytest.raises(BadInputError) as error:
        check_reading(reading, QUANTITIES, ("dark tin",), "/readings/3")
    assert error.value.place == f"/readings/3{place}"
    assert error.value.right


def test_an_unknown_quantity_suggests_the_nearest_and_peoples_words_lead_to_the_fault():
    with pytest.raises(BadInputError, match="did you mean core_c"):
        check_reading(read("coer_c", 96.0), QUANTITIES)
    with pytest.raises(BadInputError, match="did you mean fault:gummy"):
        check_reading(read("fault:claggy", 1.0), QUANTITIES)


def test_every_quantity_has_limits_and_a_moment():
    for q in QUANTITIES.values():
        assert q.least < q.most, q.name
        assert q.label
