"""`experiment`, run as a person would."""

import json

from running import run as in_process

FILE = {
    "parts": [
        {"ingredient": "sorghum-flour", "low": 0.1, "high": 0.6},
        {"ingredient": "teff-flour", "low": 0.0, "high": 0.4},
        {"ingredient": "potato-starch", "low": 0.2, "high": 0.6},
    ],
    "rows": [{"coefficients": {"teff-flour": 1.0, "sorghum-flour": 1.0}, "high": 0.75}],
    "bakes": 8,
    "days": 2,
    "seed": 1,
    "results": [
        {"x": {"sorghum-flour": a, "teff-flour": b, "potato-starch": c}, "day": d, "y": y}
        for a, b, c, d, y in (
            (0.4, 0.2, 0.4, 1, 6.4), (0.6, 0.1, 0.3, 1, 5.9), (0.3, 0.1, 0.6, 1, 6.0), (0.2, 0.4, 0.4, 2, 4.1),
            (0.4, 0.2, 0.4, 2, 6.6), (0.5, 0.0, 0.5, 2, 6.9), (0.35, 0.4, 0.25, 2, 4.4), (0.55, 0.2, 0.25, 1, 5.4),
        )
    ],
}  # fmt: skip


def run(document, *options):
    done = in_process("experiment", "-", *options, stdin=json.dumps(document).encode())
    return done.returncode, done.stdout.decode(), done.stderr.decode()


def test_plan_map_and_fit_in_one_document():
    code, out, _ = run(FILE, "--json")
    found = json.loads(out)
    assert code == 0
    assert {"corners", "runs", "map", "least_squares"} <= set(found)
    assert [r["order"] for r in found["runs"]] == list(range(1, 9))
    assert {"best", "next", "stop"} <= set(found["map"])
    assert found["map"]["best"]["low"] < found["map"]["best"]["mean"] < found["map"]["best"]["high"]
    assert set(found["map"]["next"]["x"]) == {"sorghum-flour", "teff-flour", "potato-starch"}
    assert found["map"]["best"]["x"]["teff-flour"] < 0.2
    assert set(found["least_squares"]) == {"linear", "quadratic"}
    quadratic = found["least_squares"]["quadratic"]
    assert "sorghum-flour*teff-flour" in quadratic["coefficients"]
    assert {"se", "anova", "lack_of_fit", "r2", "adjusted_r2", "press"} <= set(quadratic)


def test_the_same_in_words():
    _, out, _ = run(FILE)
    assert "Best " in out.splitlines()[1]
    assert "replicate pair" in out
    assert "Plan:" in out


def test_slips_name_their_place():
    code, _, err = run({**FILE, "results": [{"x": {"oat-flour": 1.0}, "y": 5}]})
    assert code == 2
    assert "/results/0/x" in err
    code, _, err = run({**FILE, "days": 9})
    assert code == 2
    assert "/days" in err
