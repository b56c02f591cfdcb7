"""Answers as people bring them: long and wide tables, other commas, words, slips that are named by their row."""

import pytest

from fallow_sieve.core.tastings.answers import Choices, Method
from fallow_sieve.core.values import BadInputError
from fallow_sieve.formats.tastings import read_answers


def read(text, method="liking"):
    return read_answers(text.encode(), Method(method))


LONG = "taster,sample,value\n1,A,8\n1,B,5\n2,A,7\n2,B,-\n"


@pytest.mark.parametrize(
    "text",
    [
        LONG,
        "taster\tsample\tvalue\n1\tA\t8\n1\tB\t5\n2\tA\t7\n2\tB\t\n",
        "Prüfer;Probe;Wert\n1;A;8,0\n1;B;5\n2;A;7\n2;B;–\n",
        "judge,bread,how much\n1,A,8\n1,B,5\n2,A,7\n2,B,n/a\n",
        "1,A,8\n1,B,5\n2,A,7\n2,B,\n",
        "taster,A,B\n1,8,5\n2,7,\n",
        ",A,B\n1,8/9,5\n2,7 of 9,-\n",
        "panel,date,seat,sample,code,position,method,attribute,value\n"
        "1,2026-03-01,1,A,418,1,liking,,8\n1,2026-03-01,1,B,572,2,liking,,5\n1,2026-03-01,2,A,418,2,liking,,7\n"
        "1,2026-03-01,2,B,572,1,liking,,\n1,2026-03-01,2,A,418,2,words,crumbly,1\n",
        "taster,sample,value\n1,A,like very much\n1,B,neither like nor dislike\n2,A,Like moderately\n2,B,not tasted\n",
    ],
    ids=["long", "tabs", "german", "own words", "no header", "wide", "of nine", "our own", "the ladder's words"],
)
def test_the_same_table_in_other_clothes(text):
    found = read(text)
    assert (found.samples, found.tasters, found.rows) == (("A", "B"), ("1", "2"), ((8.0, 5.0), (7.0, None)))


@pytest.mark.parametrize(
    ("text", "method", "place"),
    [
        ("taster,sample,value\n1,A,8\n1,B,0\n", "liking", "row 3"),
        ("taster,sample,value\n1,A,8\n,B,7\n", "liking", "row 3"),
        ("taster,sample,value\n1,A,8\n2,A,7\n", "liking", "1 samples"),
        ("taster,sample,value\n1,A,1\n1,B,3\n", "ranking", "row 3"),
        ("taster,right\n1,yes\n2,perhaps\n", "triangle", "row 3"),
        ("A,B,C\n8,5,4\n7,6,5\n", "liking", "row 1"),
        ("taster,value\n1,A\n2,B\n3,C\n", "paired", "3 samples"),
        ("taster,sample,value\n", "liking", "no answers"),
        ("taster,A,A\n1,2,3\n", "liking", "twice"),
        ("panel,taster,sample,value\n1,1,A,8\n2,1,B,8\n", "liking", "2 panels"),
        ("taster,sample,value\n1,A,8,9\n", "liking", "row 2"),
    ],
)
def test_a_slip_is_named_by_its_place(text, method, place):
    with pytest.raises(BadInputError, match=place):
        read(text, method)


def test_an_order_in_words_gives_places_with_ties_shared():
    found = read("taster,order\nIda,oat > teff = rice\nJon,rice>oat>teff\n", "ranking")
    assert found.samples == ("oat", "teff", "rice")
    assert found.rows == ((1.0, 2.5, 2.5), (2.0, 3.0, 1.0))


@pytest.mark.parametrize(
    "text",
    [
        "taster,value\n1,new\n2,New\n3,none\n4,old\n",
        "taster,sample,value\n1,new,1\n1,old,0\n2,new,1\n2,old,0\n3,new,0\n3,old,0\n4,new,0\n4,old,1\n",
        "taster,sample,value\n1,new,1\n1,old,2\n2,new,1\n2,old,2\n3,new,1\n3,old,1\n4,new,2\n4,old,1\n",
        "taster,new,old\n1,8,5\n2,7,6\n3,6,6\n4,4,8\n",
        "taster,choice\n1,new\n2,new\n3,no preference\n4,old\n",
    ],
    ids=["by name", "a mark", "places", "liking of both", "no preference"],
)
def test_a_preference_as_people_write_it_down(text):
    assert read(text, "paired") == Choices(("new", "old"), (2, 1), 1)


def test_right_answers_and_repeats():
    once = read("taster,right\n1,yes\n2,wrong\n3,✓\n", "triangle")
    assert (once.right, once.answers, once.repeats) == (2, 3, False)
    assert read("taster,right\n1,1\n1,0\n2,1\n", "tetrad").repeats


def test_words_by_row_by_cell_and_beside_yes():
    by_cell = read("taster,sample,value\n1,A,dry; crumbly\n1,B,\n2,A,Dry\n2,B,dry\n", "words")
    beside = read(
        "taster,sample,word,tick\n1,A,dry,1\n1,A,crumbly,1\n1,B,dry,0\n1,B,crumbly,0\n"
        "2,A,dry,yes\n2,A,crumbly,no\n2,B,dry,x\n2,B,crumbly,0\n",
        "words",
    )
    assert by_cell == beside
    assert by_cell.rows == {"dry": ((1.0, 0.0), (1.0, 1.0)), "crumbly": ((1.0, 0.0), (0.0, 0.0))}
