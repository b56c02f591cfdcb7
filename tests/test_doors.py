"""The doors between packages: what a package's `__init__` names is what others may use, and nothing reaches past it."""

from __future__ import annotations

import ast
import importlib
import pkgutil
from collections.abc import Iterator
from pathlib import Path

import pytest

import fallow_sieve

SOURCE = Path(fallow_sieve.__file__).parent
ROOT = "fallow_sieve"


def module_of(path: Path) -> str:
    return ".".join([ROOT, *path.relative_to(SOURCE).with_suffix("").parts]).removesuffix(".__init__")


MODULES = {module_of(p): p for p in SOURCE.rglob("*.py")}
PACKAGES = {m for m, p in MODULES.items() if p.name == "__init__.py"}


def package_of(module: str) -> str:
    return module if module in PACKAGES else module.rpartition(".")[0]


def named(package: str) -> list[str]:
    return getattr(importlib.import_module(package), "__all__", [])


def passed(text: str, module: str) -> Iterator[str]:
    """Give each import in `text`, the source of `module`, that another package's `__init__` does not name."""
    here = package_of(module)
    for node in ast.walk(ast.parse(text)):
        if not isinstance(node, ast.ImportFrom) or not (node.module or "").startswith(ROOT):
            continue
        there, inner = package_of(node.module), node.module if node.module not in PACKAGES else ""
        if here == there or here.startswith(f"{there}."):  # one's own package, and those it lies in
            continue
        wanted = [inner.rpartition(".")[2]] if inner else [a.name for a in node.names]
        yield from (f"{module} reaches for {there}.{w}" for w in wanted if w not in named(there))


@pytest.mark.parametrize("module", sorted(MODULES))
def test_nothing_reaches_past_what_a_package_names(module: str):
    assert list(passed(MODULES[module].read_text(encoding="utf-8"), module)) == []


def wanted_by_others() -> set[tuple[str, str]]:
    """Give (package, name) of what other packages and the tests import through a package's `__init__`."""
    found = set()
    for path in [*MODULES.values(), *Path(__file__).parent.rglob("*.py"), *(SOURCE.parents[1] / "bench").glob("*.py")]:
        here = package_of(module_of(path)) if path.is_relative_to(SOURCE) else ""
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(node, ast.ImportFrom) and (node.module or "").startswith(ROOT):
                there = package_of(node.module) if node.module in MODULES else node.module
                if here != there:
                    found |= {(there, a.name) for a in node.names} | {(there, node.module.rpartition(".")[2])}
    return found


def test_what_a_package_names_is_there_and_somebody_wants_it():
    wanted = wanted_by_others()
    for package in PACKAGES:
        inside = {m.name for m in pkgutil.iter_modules(importlib.import_module(package).__path__)}
        for name in named(package):
            assert name in inside or hasattr(importlib.import_module(package), name), (package, name)
            assert (package, name) in wanted, f"nobody asks {package} for {name}"


def test_a_reach_past_a_door_is_found():
    reach = "from fallow_sieve.core.blends.metrics import days\n"
    assert list(passed(reach, "fallow_sieve.services.blends.judging")) == [
        "fallow_sieve.services.blends.judging reaches for fallow_sieve.core.blends.metrics"
    ]
    assert list(passed(reach, "fallow_sieve.core.blends.judgement")) == []
