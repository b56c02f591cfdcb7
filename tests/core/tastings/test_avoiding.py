"""Who must not eat what: nothing unknown is taken for absent, and what cannot be lifted never is."""

from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.tastings.avoiding import (
    Avoids,
    Holds,
    Leaving,
    State,
    asked_of,
    blocks,
    said_by,
    standing_blocks,
)

NUTS, PLAIN = Holds(frozenset({"tree-nuts"}), True, State.KNOWN), Holds(frozenset(), True, State.KNOWN)
IN_WORDS = Holds(frozenset(), False, State.UNKNOWN)
marks = st.sampled_from(["tree-nuts", "milk", "egg", "soya", "legume"])
holds = st.builds(Holds, st.frozensets(marks), st.booleans(), st.sampled_from(State))
avoids = st.builds(Avoids, st.frozensets(marks), st.frozensets(marks), st.booleans())


def test_an_allergy_blocks_what_contains_it_and_what_is_not_known():
    allergic = Avoids(frozenset({"tree-nuts"}))
    assert [b.say for b in blocks(allergic, NUTS)] == ["contains tree nuts · allergy, cannot be lifted"]
    assert [b.say for b in blocks(allergic, IN_WORDS)] == ["tree nuts: not known · allergy, cannot be lifted"]
    assert blocks(allergic, PLAIN) == ()


def test_for_coeliacs_unknown_gluten_counts_as_there():
    coeliac = Avoids(coeliac=True)
    assert [b.state for b in blocks(coeliac, Holds(gluten=State.UNKNOWN))] == [State.UNKNOWN]
    assert [b.state for b in blocks(coeliac, Holds(gluten=State.CONTAINS))] == [State.CONTAINS]
    assert not blocks(coeliac, PLAIN)
    assert not any(b.liftable for b in blocks(coeliac, IN_WORDS))


def test_only_a_choice_is_lifted():
    both = Avoids(frozenset({"tree-nuts"}), frozenset({"legume"}))
    beans = Holds(frozenset({"legume"}), True, State.KNOWN)
    samples = {1: NUTS, 2: beans, 3: PLAIN}
    lifted = Leaving(frozenset(), {1: "I want it", 2: "I want it"})
    assert list(standing_blocks(both, samples, Leaving())) == [1, 2]
    assert list(standing_blocks(both, samples, lifted)) == [1]
    assert list(standing_blocks(both, samples, Leaving(frozenset({1}), {2: "yes"}))) == []


@given(avoids, holds, st.text(max_size=5))
def test_no_lift_ever_serves_an_allergy_or_coeliac_disease(who, what, why):
    standing = standing_blocks(who, {1: what}, Leaving(frozenset(), {1: why or "because"}))
    must = bool(who.allergies & what.marks) or (bool(who.allergies) and not what.complete)
    must = must or (who.coeliac and what.gluten is not State.KNOWN)
    assert bool(standing) == must


def test_an_anonymous_seat_is_asked_about_all_that_lies_on_the_table():
    assert asked_of([NUTS, Holds(frozenset({"egg"}), True, State.KNOWN)]) == ("egg", "tree-nuts")
    assert asked_of([PLAIN, IN_WORDS]) == ("gluten",)
    assert said_by(["gluten", "egg"]) == Avoids(frozenset({"egg"}), frozenset(), True)
