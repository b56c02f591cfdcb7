"""A blend file that every command can be given."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

GOOD = {
    "format": "fallow-sieve/blend", "version": 1, "name": "Trial mix", "use": "tin-loaf",
    "parts": [
        {"ingredient": "sorghum-flour", "mass_g": 290}, {"ingredient": "brown-rice-flour", "mass_g": 140},
        {"ingredient": "teff-flour", "mass_g": 120}, {"ingredient": "chickpea-flour", "mass_g": 80},
        {"ingredient": "potato-starch", "mass_g": 220}, {"ingredient": "tapioca-starch", "mass_g": 150},
        {"ingredient": "psyllium-husk", "mass_g": 50},
    ],
}  # fmt: skip


@pytest.fixture
def blend(tmp_path: Path) -> Path:
    path = tmp_path / "blend.json"
    path.write_text(json.dumps(GOOD))
    return path
