"""The documents say what is so: commands exist, examples are valid, links lead somewhere, pictures are there."""

from __future__ import annotations

import json
import re
import subprocess
import sys
from pathlib import Path

import pytest

from fallow_sieve.core.baking.ovens import parse_oven
from fallow_sieve.core.blends.explanation import explain
from fallow_sieve.core.blends.metrics import METRICS
from fallow_sieve.core.ingredients import WORDS
from fallow_sieve.core.ingredients.ingredient import Role
from fallow_sieve.core.ingredients.nutrients import NUTRIENTS
from fallow_sieve.formats.blends import OpenedAnswer
from fallow_sieve.formats.blends.answers import AnalysisDocument
from fallow_sieve.formats.blends.file import read_blend
from fallow_sieve.formats.briefs.file import read_brief
from fallow_sieve.formats.experiments import ExperimentFile
from fallow_sieve.formats.formulas.file import read_formula
from fallow_sieve.formats.formulas.scaling_answers import temperature_answer
from fallow_sieve.formats.ingredients.answers import ComparisonDocument
from fallow_sieve.formats.schedule import DoughIn, PlanFile, StarterIn
from fallow_sieve.formats.trials import TrialFile
from fallow_sieve.reference.formulas import marks
from fallow_sieve.reference.ingredients import library, library_shelf
from kit import blend

ROOT = Path(__file__).parents[1]
PAGES = [ROOT / n for n in ("README.md", "CONTRIBUTING.md", "CHANGELOG.md")] + sorted(ROOT.glob("docs/**/*.md"))
FORMATS = (ROOT / "docs/formats.md").read_text(encoding="utf-8")
METHOD = (ROOT / "docs/method.md").read_text(encoding="utf-8")


@pytest.mark.parametrize("page", PAGES, ids=lambda p: p.name)
def test_links_and_pictures_lead_to_files_that_are_there(page):
    for target in re.findall(r"\]\((?!https?:|#)([^)#]+)", page.read_text(encoding="utf-8")):
        assert (page.parent / target).exists(), target


def test_every_picture_is_shown_somewhere_or_at_least_is_one_of_few():
    pictures = list((ROOT / "docs/screenshots").iterdir())
    assert 5 <= len(pictures) < 20
    shown = (ROOT / "README.md").read_text(encoding="utf-8")
    assert {
        "formula",
        "conversion",
        "label",
        "trace",
        "weigh-up",
        "begin",
        "bench-passing",
        "proposals",
        "trade-off",
        "trial",
        "family",
        "tasting",
        "experiment",
        "seat-sheet",
        "trial-sheet",
    } <= {p.stem for p in pictures if p.name in shown}


def test_every_make_target_that_is_named_exists():
    targets = set(re.findall(r"^([a-z]+):", (ROOT / "Makefile").read_text(encoding="utf-8"), re.MULTILINE))
    for page in PAGES:
        named = set(re.findall(r"(?:^    |`)make ([a-z]+)", page.read_text(encoding="utf-8"), re.MULTILINE))
        assert named <= targets, page.name


def test_ci_runs_make_test_and_nothing_else():
    lines = (ROOT / ".ci/run").read_text(encoding="utf-8").splitlines()
    assert [line for line in lines if "make" in line] == ["exec make test"]


@pytest.mark.parametrize("command", sorted(set(re.findall(r"fallow-sieve ([a-z-]+)", FORMATS))))
def test_every_command_that_is_named_can_be_asked_for_help(command):
    done = subprocess.run([sys.executable, "-m", "fallow_sieve", command, "--help"], capture_output=True, check=False)
    assert done.returncode == 0


def examples() -> list[dict[str, object]]:
    return [json.loads(text) for text in re.findall(r"```json\n(.*?)```", FORMATS, re.DOTALL)]


def test_the_examples_are_what_is_read_and_written():
    blend_file, brief, analysis, opened, comparison, formula, temperature, dough, build, plan, trial, bakes = examples()
    DoughIn.model_validate(dough)
    StarterIn.model_validate(build)
    PlanFile.model_validate(plan)
    TrialFile.model_validate(trial)
    ExperimentFile.model_validate(bakes)
    assert read_brief(json.dumps(brief).encode()).wishes.limits.max_bins == 5
    read = read_blend(json.dumps(blend_file).encode())
    assert read.ingredients[0].facts["fibre_g"].range.high == 7
    AnalysisDocument.model_validate(analysis)
    OpenedAnswer.model_validate(opened)
    ComparisonDocument.model_validate(comparison)
    assert [x.when for x in read_formula(json.dumps(formula).encode()).formula.lines] == ["dry", "gel", "wet", "dry"]
    assert temperature_answer(parse_oven("350F", marks())).model_dump() == temperature


def test_the_lists_of_names_are_whole():
    for names in (METRICS, NUTRIENTS, [str(r) for r in Role]):
        assert [n for n in names if n not in FORMATS] == []


def test_the_number_of_bundled_ingredients_is_the_one_that_is_said():
    said = re.search(r"(\d+) bundled ingredients", (ROOT / "CHANGELOG.md").read_text(encoding="utf-8"))
    assert said
    assert int(said[1]) == len([i for i in library() if i.slug != WORDS])


@pytest.mark.parametrize("metric", METRICS)
def test_the_way_from_a_number_to_its_method_ends_at_a_heading(metric):
    section = explain(blend({"teff-flour": 100}), library_shelf(), metric).section
    assert f"{{#{section}}}" in METHOD


def test_every_gauge_of_the_demo_leads_to_a_heading(client):
    for n in range(1, 9):
        content = client.get(f"/api/v1/formulas/{n}").json["draft"]["content"]
        judged = client.post("/api/v1/formula-judgements", json={"content": content}).json
        for gauge in judged["gauges"]:
            assert f"{{#{gauge['section']}}}" in METHOD, gauge["name"]


@pytest.mark.parametrize("page", sorted((ROOT / "web/src").rglob("*.svelte")), ids=lambda p: p.name)
def test_a_page_links_to_headings_of_the_method_that_are_there(page):
    for section in re.findall(r"#/method/([a-z-]+)", page.read_text(encoding="utf-8")):
        assert f"{{#{section}}}" in METHOD


def test_functions_that_the_method_names_are_there():
    core = ROOT / "src/fallow_sieve/core"  # or one of the services, where it is said
    named = re.findall(r"`([a-z_]+(?:\.[a-z_]+)+)\.([a-z_]+)`", METHOD)
    assert len(named) > 50
    for module, name in named:
        under = core.parent if module.startswith("services.") else core
        assert f"def {name}(" in (under / f"{module.replace('.', '/')}.py").read_text(encoding="utf-8"), (module, name)


def test_no_component_or_module_is_too_long_to_read_in_one_sitting():
    for path in (ROOT / "web/src").rglob("*.svelte"):
        assert path.read_text(encoding="utf-8").count("\n") <= 250, path.name
    for path in (ROOT / "src").rglob("*.py"):
        assert path.read_text(encoding="utf-8").count("\n") <= 300, path.name


def test_the_pages_ship_what_they_need_and_name_no_other_host():
    built = ROOT / "src/fallow_sieve/web_dist"
    text = (built / "index.html").read_text(encoding="utf-8")
    assert re.findall(r"(?:src|href)=\"(?!/)[^\"]*\"", text) == []
    styles = "".join(p.read_text(encoding="utf-8") for p in built.glob("assets/*.css"))
    assert re.findall(r"url\((?!/assets/|[\"']?data:|#)([^)]{0,60})", styles) == []


@pytest.mark.parametrize(
    "stage", ["begin", "blends", "ingredients", "formulas", "schedule", "trials", "tastings", "experiments", "batches"]
)
def test_every_stage_leads_from_its_numbers_to_their_rules(stage):
    pages = (ROOT / "web/src/lib" / stage).rglob("*.svelte")
    assert any("#/method/" in p.read_text(encoding="utf-8") for p in pages)
