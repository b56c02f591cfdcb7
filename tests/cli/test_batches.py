"""`label` and `batch-code`, run as a person would."""

from __future__ import annotations

import json

from running import run as in_process

BLEND = {
    "format": "fallow-sieve/blend",
    "version": 1,
    "name": "Almond plain mix",
    "use": "tin-loaf",
    "parts": [
        {"ingredient": "white-rice-flour", "mass_g": 700},
        {"ingredient": "almond-flour", "mass_g": 300},
        {"ingredient": "psyllium-husk", "mass_g": 50},
    ],
}


def label(blend, *options):
    done = in_process("label", "-", *options, stdin=json.dumps(blend).encode())
    return done.returncode, done.stdout.decode(), done.stderr.decode()


def test_a_label_says_what_stands_on_it_and_what_holds_it():
    code, out, _ = label(BLEND, "--scheme", "eu", "--bag", "500", "--json")
    found = json.loads(out)
    assert code == 1
    assert found["ingredients"] == "white rice flour, almond flour (28.6 %), psyllium husk."
    assert found["allergens"] == ["almond"]
    assert [h["line"] for h in found["held"]] == ["gluten wording"]
    assert found["gluten"]["rung"] == 1
    fat = next(n for n in found["nutrition"] if n["nutrient"] == "fat_g")
    assert fat["printed"].endswith(" g")
    assert abs(fat["value"] - float(fat["printed"].split()[0])) <= 0.5
    assert found["draft"] == "Draft: to be checked by a competent person."


def test_the_same_in_words_and_an_unknown_scheme_is_named():
    _, out, _ = label(BLEND)
    assert out.startswith("Held by 1 of ")
    assert "Check locally" in out
    code, _, err = label(BLEND, "--scheme", "mars")
    assert code == 2
    assert "label scheme" in err


def test_a_code_is_printed_as_it_is_meant():
    done = in_process("batch-code", "27ooi i q")
    assert (done.returncode, done.stdout.decode().strip()) == (0, "27001-1-Q")
    done = in_process("batch-code", "26323-2-Q", "--json")
    assert done.returncode == 1
    assert json.loads(done.stdout) == {"bag": None, "code": "26323-2-Q", "valid": False}
