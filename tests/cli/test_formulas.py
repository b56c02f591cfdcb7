"""The commands of formulas, run as a person would: documents on standard output, exit codes, and errors with a place."""

import json

import pytest

from running import run as in_process
from running import run_apart

BLEND = {
    "format": "fallow-sieve/blend", "version": 1, "name": "Trial mix", "use": "layer-cake",
    "parts": [{"ingredient": "sorghum-flour", "mass_g": 600}, {"ingredient": "potato-starch", "mass_g": 400}],
}  # fmt: skip
FORMULA = {
    "format": "fallow-sieve/formula", "version": 1, "name": "Trial loaf", "use": "tin-loaf", "blend": {"parts": BLEND["parts"]},
    "lines": [
        {"ingredient": "@blend", "mass_g": 1000, "stage": "dry"}, {"ingredient": "psyllium-husk", "mass_g": 50, "stage": "gel"},
        {"ingredient": "water", "mass_g": 900, "stage": "wet"}, {"ingredient": "instant-dry-yeast", "mass_g": 15, "stage": "dry"},
        {"ingredient": "whole-egg", "mass_g": 75, "stage": "wet"},
    ],
}  # fmt: skip
RECIPE = "Trial cake\n250 g plain flour\n2 tsp baking powder\n1 cup milk\n2 eggs\nBake at 180 °C (400 °F).\n"


def run(*args, stdin=""):
    done = in_process(*args, stdin=stdin.encode())
    return done.returncode, done.stdout.decode(), done.stderr.decode()


@pytest.fixture
def files(tmp_path):
    def write(name, content):
        path = tmp_path / name
        path.write_text(content if isinstance(content, str) else json.dumps(content), encoding="utf-8")
        return str(path)

    return write


def test_formula_tells_totals_water_load_and_checks(files):
    done = run_apart("formula", files("f.json", FORMULA), "--json")
    found = json.loads(done.stdout)
    assert (done.returncode, done.stderr) == (0, b"")
    assert (found["flour_g"], found["dough_g"]) == (1000, 2040)
    assert found["binder"]["load"] == pytest.approx(1.0)
    assert (
        found["hydration"]["wanted"]["low_pct"] < found["hydration"]["pct"] < found["hydration"]["wanted"]["high_pct"]
    )
    assert {"water_g", "fat_g", "sugars_g", "salt_g", "protein_g"} == set(found["totals_g"])
    assert found["bake"]["core_high_c"] == 98
    assert found["gluten"]["status"] == "unknown"


def test_formula_that_is_held_exits_1(files):
    lines = [{**x, "mass_g": 200} if x["ingredient"] == "water" else x for x in FORMULA["lines"]]
    code, out, _ = run("formula", files("f.json", {**FORMULA, "lines": lines}))
    assert code == 1
    assert out.startswith("Held by 1 of")


def test_scale_to_pieces_tin_and_flour(files):
    path = files("f.json", FORMULA)
    pieces = json.loads(run("scale", path, "--pieces", "12x80g", "--json")[1])
    assert pieces["dough_g"] == pytest.approx(960 / 0.98)
    assert sum(x["mass_g"] for x in pieces["formula"]["lines"]) == pytest.approx(960 / 0.98)
    tin = json.loads(run("scale", path, "--tin", "20x10x9cm", "--loss", "0", "--json")[1])
    assert tin["tin"]["volume_ml"] == pytest.approx(1800)
    assert tin["dough_g"] == pytest.approx(0.55 * 1800 * 1.05)
    flour = json.loads(run("scale", path, "--flour", "500g", "--step", "1g", "--json")[1])
    assert flour["factor"] == pytest.approx(0.5)
    assert flour["eggs"]["whole"] == 1
    assert flour["too_fine"] == ["instant-dry-yeast"]


def test_convert_gives_a_formula_file_that_formula_reads(files):
    code, out, _ = run("convert", files("r.txt", RECIPE), "--blend", files("b.json", BLEND), "--json")
    found = json.loads(out)
    assert code == 0
    assert [c["key"] for c in found["changes"]] == ["flour", "binder", "leavening", "water", "rest", "tin"]
    assert found["checks"][0]["line"] == 6
    assert any("cup taken as 237 mL" in g for x in found["read"] for g in x["guesses"])
    made = {k: v for k, v in found["formula"].items() if v is not None}
    code, out, err = run("formula", "-", "--json", stdin=json.dumps(made))
    assert (code, err) == (0, "")
    assert json.loads(out)["hydration"]["pct"] == pytest.approx(found["after"]["hydration"]["pct"])


def test_a_change_may_be_left_out_and_the_use_and_school_named(files):
    args = (
        "convert",
        files("r.txt", RECIPE),
        "--blend",
        files("b.json", BLEND),
        "--json",
        "--off",
        "leavening",
        "--use",
        "quick-bread",
        "--school",
        "gels",
    )
    found = json.loads(run(*args)[1])
    assert {c["key"]: c["on"] for c in found["changes"]}["leavening"] is False
    assert found["formula"]["use"] == "quick-bread"
    assert any(x["ingredient"] == "ground-flaxseed" for x in found["formula"]["lines"])


@pytest.mark.parametrize(
    ("given", "c", "gas"), [("350F", 175, 4), ("180C", 180, 4), ("gas4", 180, 4), ("160C-fan", 180, 4)]
)
def test_temperature_on_every_oven(given, c, gas):
    code, out, _ = run("temperature", given, "--json")
    assert code == 0
    assert (json.loads(out)["conventional_c"], json.loads(out)["gas_mark"]) == (c, gas)


def test_for_people_it_speaks_in_lines(files):
    assert "Water: passes" in run("formula", files("f.json", FORMULA))[1]
    assert "2 pieces of 400 g" in run("scale", files("f.json", FORMULA), "--pieces", "2x400g")[1]
    told = run("convert", files("r.txt", RECIPE), "--blend", files("b.json", BLEND))[1]
    assert "+ 250 g wheat flour → the same grams of the blend." in told
    assert "? line 6: 180 °C and 400 °F are not the same" in told
    assert run("temperature", "180C")[1] == "180 °C, fan 160 °C, 355 °F, gas 4\n"


@pytest.mark.parametrize(
    ("args", "says"),
    [
        (("temperature", "hot"), "cannot read the oven temperature 'hot'"),
        (("scale", "{f}", "--pieces", "twelve"), "--pieces: cannot read the pieces"),
        (("scale", "{f}", "--tin", "20x10"), "--tin: cannot read the tin"),
        (("scale", "{f}", "--flour", "0g"), "--flour: cannot read the mass"),
        (("scale", "{f}"), "give one of --pieces"),
        (("scale", "{f}", "--flour", "1g", "--total", "1g"), "give one of --pieces"),
        (("formula", "{bad}"), "/lines/0/mass_g"),
        (("formula", "{broken}"), "line 1, column"),
        (("formula", "{f}", "--use", "sponge-boat"), "--use: unknown use"),
        (("convert", "{empty}", "--blend", "{b}"), "there is nothing to read"),
        (("convert", "{latin}", "--blend", "{b}"), "line 2, column 3"),
        (("convert", "{r}", "--blend", "{b}", "--school", "glue"), "unknown binder school"),
    ],
)
def test_bad_input_exits_2_with_its_place(files, tmp_path, args, says):
    names = {
        "f": files("f.json", FORMULA), "b": files("b.json", BLEND), "r": files("r.txt", RECIPE), "empty": files("e.txt", " \n"),
        "bad": files("bad.json", {**FORMULA, "lines": [{"ingredient": "water", "mass_g": 0, "stage": "wet"}]}), "broken": files("x.json", "{,}"),
        "latin": str(tmp_path / "latin.txt"),
    }  # fmt: skip
    (tmp_path / "latin.txt").write_bytes(b"Trial\n10\xb0 flour\n")
    code, out, err = run(*(a.format(**names) for a in args))
    assert (code, out) == (2, "")
    assert says in err


def test_a_kitchens_database_brings_its_cups_and_bakes(files, demo_db):
    code, out, _ = run("formula", files("f.json", FORMULA), "--json", "--db", str(demo_db))
    assert code == 0
    assert "9 bakes of this kind" in json.loads(out)["hydration"]["wanted"]["say"]


GLUTEN_FREE = (
    "Coaling stage loaf\nMakes 1\nFor the gel\n20 g psylium husk\n400 g water\nDough\n150 g sorghum flour\n150 g tapioca flour\n"
    "2 cups all-purpose flour, gluten-free\n40 g Low Ings brose meal\nrice flour for dusting\nBake at 400°F for 50-55 minutes.\nBetter the second day."
)  # fmt: skip


def test_read_tells_every_line_of_a_recipe_and_what_it_is(files):
    code, out, _ = run("read", files("loaf.txt", GLUTEN_FREE), "--json")
    found = json.loads(out)
    assert code == 1  # a line stays open
    assert [x["kind"] for x in found["lines"]] == [
        "title", "yield", "section", "ingredient", "ingredient", "section", "ingredient", "ingredient", "ingredient",
        "ingredient", "ingredient", "step", "note",
    ]  # fmt: skip
    assert (found["title"], found["yield"]["pieces"]) == ("Coaling stage loaf", 1)
    assert found["cups"] == {"standard": "us", "eggs": "US cups and eggs", "why": "°F, all-purpose"}
    gel, bought, brose, dust = (found["lines"][n] for n in (3, 8, 9, 10))
    assert (gel["ingredient"], gel["function"], gel["section"], gel["mass_g"]) == (
        "psyllium-husk",
        "binder",
        "For the gel",
        20,
    )
    assert (bought["ingredient"], bought["open"]) == ("bought-gf-plain-flour", False)
    assert (brose["ingredient"], brose["mass_g"], brose["open"]) == (None, 40, True)
    assert dust["in_dough"] is False
    assert found["steps"] == [{"line": 12, "oven_c": [204.4], "minutes": [50, 55]}]
    assert {p["ingredient"] for p in found["blend"]["parts"]} == {
        "sorghum-flour",
        "tapioca-starch",
        "bought-gf-plain-flour",
    }
    assert len(found["formula"]["lines"]) == 7


def test_read_says_yes_to_a_recipe_that_is_clear_and_has_no_mix_for_one_of_wheat(files):
    code, out, _ = run("read", files("cake.txt", "Trial cake\n250 g plain flour\n200 g butter\n4 g salt\n"), "--json")
    assert (code, json.loads(out)["blend"]) == (0, None)
    assert "wheat flour" in run("read", files("cake.txt", "Trial cake\n250 g plain flour\n"))[1].lower()
