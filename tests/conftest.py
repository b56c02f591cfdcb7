"""Fixtures: a fresh kitchen for each test, the demo kitchen copied from one that is made once."""

from __future__ import annotations

import gc
import shutil
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path

import pytest
from flask import Flask
from flask.testing import FlaskClient
from hypothesis import HealthCheck, settings

from fallow_sieve.api.app import create_app, equip
from fallow_sieve.demo.kitchen import fill
from fallow_sieve.store.kitchen_store import KitchenStore
from fuzzing import examples

# A busy machine must not fail a test: nothing here is about time.
settings.register_profile(
    "unhurried", deadline=None, max_examples=examples(100), suppress_health_check=[HealthCheck.too_slow]
)
settings.load_profile("unhurried")

# Garbage is looked for less often: nearly all that is there was loaded to stay.
gc.set_threshold(20_000, 20, 10)

NOW = datetime(2026, 3, 14, 9, 30, tzinfo=UTC)


def _made(folder: Path, demo: bool) -> Path:
    path = folder / "kitchen.db"
    kitchen = KitchenStore(path)
    if demo:
        fill(kitchen, NOW)
    kitchen.close()
    return path


@pytest.fixture(scope="session")
def empty_master(tmp_path_factory: pytest.TempPathFactory) -> Path:
    return _made(tmp_path_factory.mktemp("empty"), demo=False)


@pytest.fixture(scope="session")
def demo_master(tmp_path_factory: pytest.TempPathFactory) -> Path:
    return _made(tmp_path_factory.mktemp("demo"), demo=True)


@pytest.fixture
def empty_db(empty_master: Path, tmp_path: Path) -> Path:
    return Path(shutil.copy(empty_master, tmp_path / "kitchen.db"))


@pytest.fixture
def demo_db(demo_master: Path, tmp_path: Path) -> Path:
    return Path(shutil.copy(demo_master, tmp_path / "demo.db"))


@pytest.fixture
def store(empty_db: Path) -> Iterator[KitchenStore]:
    kitchen = KitchenStore(empty_db)
    yield kitchen
    kitchen.close()


@pytest.fixture(scope="session")
def routed(tmp_path_factory: pytest.TempPathFactory) -> Flask:
    """An application whose routes are worked out once; each test gives it a kitchen of its own."""
    made = create_app(tmp_path_factory.mktemp("routed") / "kitchen.db")
    made.extensions["kitchen"].close()
    return made


@pytest.fixture
def app(routed: Flask, demo_db: Path) -> Iterator[Flask]:
    equip(routed, demo_db, clock=lambda: NOW)
    yield routed
    routed.extensions["demo"].close()
    routed.extensions["kitchen"].close()


@pytest.fixture
def client(app: Flask) -> FlaskClient:
    return app.test_client()
