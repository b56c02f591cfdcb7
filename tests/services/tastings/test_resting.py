"""Whether a verdict rests on one person: told again without each seat. Sign tests that can be worked by hand."""

import pytest

from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.tastings.panels import Asked, Sample, Seat
from fallow_sieve.core.tastings.plates import Plate
from fallow_sieve.core.tastings.sheets import TABLE, Answer
from fallow_sieve.core.tastings.tallies import Table
from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.services.tastings.resting import rests_on_seats

SAMPLES = (Sample(1, "trial", None, "Millet"), Sample(2, "trial", None, "Teff"))
PLATES = {1: Plate(1, 1, 352), 2: Plate(2, 2, 816)}


def chosen(plates: list[int]) -> Table:
    """A table of two where seat 1, 2, … chose these plates (0: neither)."""
    seats = tuple(Seat(n) for n, _ in enumerate(plates, start=1))
    given = {n: (Answer(0, TABLE, value=float(plate)),) for n, plate in enumerate(plates, start=1)}
    return Table(Asked(Method.PAIRED), SAMPLES, seats, PLATES, given)


def liked(rows: list[tuple[float, float]]) -> Table:
    seats = tuple(Seat(n) for n, _ in enumerate(rows, start=1))
    given = {
        n: tuple(Answer(plate, "liking", value=v) for plate, v in enumerate(row, start=1))
        for n, row in enumerate(rows, start=1)
    }
    return Table(Asked(Method.LIKING), SAMPLES, seats, PLATES, given)


def test_nine_to_one_stands_without_any_one_of_the_ten():
    # 2 · 11 ÷ 1024 = 0.021; without one of the nine 2 · 10 ÷ 512 = 0.039
    found = rests_on_seats(chosen([1] * 9 + [2]))
    assert (found.looked_at, found.other, found.say) == (10, (), "Without any one of the 10 it says the same.")


def test_eight_to_one_rests_on_each_of_the_eight():
    # 2 · 10 ÷ 512 = 0.039; without one of the eight 2 · 9 ÷ 256 = 0.070
    found = rests_on_seats(chosen([1] * 8 + [2]))
    assert [w.seat for w in found.other] == [1, 2, 3, 4, 5, 6, 7, 8]
    assert found.say.startswith("It rests on seats 1, 2, 3, 4, 5, 6, 7 and 8: without any of them, “")


def test_six_of_six_are_the_least_that_can_say_anything():
    assert rests_on_seats(chosen([1] * 6)).say == "With one seat fewer it would be too few to say."


def test_one_seat_that_hides_what_all_others_say_is_named():
    found = rests_on_seats(liked([(8, 6), (7, 5), (8, 6.5), (7, 5), (9, 7), (8, 6), (7, 5), (2, 9)]))
    assert [w.seat for w in found.other] == [8]
    assert found.say == "It rests on seat 8: without it, “Millet won”."


def test_a_table_that_says_nothing_rests_on_nobody():
    with pytest.raises(BadInputError, match="nobody answered"):
        rests_on_seats(chosen([]))
