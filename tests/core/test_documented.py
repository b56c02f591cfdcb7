"""Habits of the core, kept by tests: units in docstrings, no input or output, functions that fit on a page."""

import ast
import inspect
import pkgutil
import re
from importlib import import_module
from pathlib import Path

import pytest

import fallow_sieve
import fallow_sieve.core as core

MODULES = [import_module(m.name) for m in pkgutil.walk_packages(core.__path__, "fallow_sieve.core.") if not m.ispkg]
UNIT_OF_SUFFIX = {
    "_g": r"\bg\b|gram|mass", "_kg": r"kg", "_pct": r"%|percent|per cent", "_c": r"°C", "_f": r"°F", "_ml": r"mL",
    "_kj": r"kJ", "_kcal": r"kcal", "_months": r"month", "_mg_per_kg": r"mg",
}  # fmt: skip


def public_functions():
    for module in MODULES:
        for name, thing in vars(module).items():
            if inspect.isfunction(thing) and thing.__module__ == module.__name__ and not name.startswith("_"):
                yield pytest.param(thing, id=f"{module.__name__.rsplit('.', 1)[-1]}.{name}")


@pytest.mark.parametrize("function", list(public_functions()))
def test_a_public_function_says_what_it_returns_and_the_units_of_what_it_takes(function):
    text = inspect.getdoc(function) or ""
    assert re.match(r"Return|Raise|Give", text), "the docstring begins with what it returns"
    signature = f"{function.__name__} {text} {inspect.getdoc(inspect.getmodule(function))}"
    for name in inspect.signature(function).parameters:
        for suffix, unit in UNIT_OF_SUFFIX.items():
            if name.endswith(suffix):
                assert re.search(unit, signature), f"{name}: the docstring leaves its unit out"


@pytest.mark.parametrize("module", MODULES, ids=lambda m: m.__name__.rsplit(".", 1)[-1])
def test_the_core_opens_nothing_and_reads_no_clock(module):
    tree = ast.parse(Path(module.__file__).read_text(encoding="utf-8"))
    imported = {n.names[0].name.split(".")[0] for n in ast.walk(tree) if isinstance(n, ast.Import)}
    imported |= {(n.module or "").split(".")[0] for n in ast.walk(tree) if isinstance(n, ast.ImportFrom)}
    assert imported.isdisjoint({"os", "io", "pathlib", "sqlite3", "time", "random", "socket", "urllib"})
    called = {n.func.id for n in ast.walk(tree) if isinstance(n, ast.Call) and isinstance(n.func, ast.Name)}
    assert called.isdisjoint({"open", "print", "input"})
    methods = {n.func.attr for n in ast.walk(tree) if isinstance(n, ast.Call) and isinstance(n.func, ast.Attribute)}
    assert methods.isdisjoint({"today", "now", "utcnow", "monotonic", "perf_counter"})


def test_most_functions_are_short_and_no_module_is_long():
    lengths = []
    for module in MODULES:
        source = Path(module.__file__).read_text(encoding="utf-8")
        assert source.count("\n") <= 300, module.__name__
        nodes = [n for n in ast.walk(ast.parse(source)) if isinstance(n, ast.FunctionDef)]
        lengths += [n.end_lineno - n.lineno + 1 for n in nodes]
    lengths.sort()
    assert lengths[len(lengths) // 2] <= 12
    assert lengths[int(len(lengths) * 0.9)] <= 30


def test_every_package_says_what_it_is_for():
    for path in Path(fallow_sieve.__file__).parent.rglob("__init__.py"):
        said = ast.get_docstring(ast.parse(path.read_text(encoding="utf-8"))) or ""
        assert len(said) > 10, path


def test_no_folder_holds_more_than_eighteen_files():
    for folder in [Path(fallow_sieve.__file__).parent, *Path(fallow_sieve.__file__).parent.rglob("*/")]:
        held = [p for p in folder.glob("*.py") if p.name != "__init__.py"]
        assert len(held) <= 18, folder


def test_the_solver_is_imported_in_one_file():
    knowing = [m.__name__ for m in MODULES if "from highspy" in Path(m.__file__).read_text(encoding="utf-8")]
    assert knowing == ["fallow_sieve.core.numerics.solver"]
