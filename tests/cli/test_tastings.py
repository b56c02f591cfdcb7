"""`tasting`, run as a person would."""

import json

from running import run as in_process

TABLE = "taster,sample,value\n" + "".join(f"{i},A,{8 + i % 2}\n{i},B,{5 - i % 2}\n" for i in range(1, 8))


def run(text, *options):
    done = in_process("tasting", "-", *options, stdin=text.encode())
    return done.returncode, done.stdout.decode(), done.stderr.decode()


def test_a_table_is_told_whole():
    code, out, _ = run(TABLE, "--method", "liking", "--json")
    found = json.loads(out)
    assert code == 0
    assert {"method", "n", "samples", "global", "pairs", "winner", "verdict", "tasters_next"} <= set(found)
    assert (found["n"], found["winner"]) == (7, "A")
    # seven of seven for one of two: 2/2⁷
    assert found["global"] == {"test": "permutation within tasters, every arrangement", "exact": True, "p": 0.015625}


def test_the_same_in_words():
    _, out, _ = run(TABLE)
    assert out.startswith("A won. 7 tasters;")
    assert "These 7 people; others may differ." in out
    assert "allergens" in out


def test_slips_name_their_place():
    code, _, err = run(TABLE + "8,A,12\n")
    assert code == 2
    assert "row 16" in err
    code, _, err = run(TABLE, "--method", "smelling")
    assert code == 2
    assert "--method" in err


def test_a_forced_choice_and_words():
    _, out, _ = run("taster,right\n" + "".join(f"{i},{int(i < 8)}\n" for i in range(9)), "--method", "tetrad")
    assert out.startswith("Noticed: 8 of 9 right, 3 by guessing;")
    assert "d′" in out
    _, out, _ = run("taster,sample,value\n1,A,dry\n1,B,\n2,A,dry\n2,B,moist\n", "--method", "words")
    assert out.startswith("Too few to say.")
