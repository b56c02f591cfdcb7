"""The demo scenario as data: what lies in the bins of Tarn Line Provisions. All of it is invented."""

from __future__ import annotations

from dataclasses import dataclass

SCARTH, LOW_INGS, COPPERBECK = "Scarth Mill", "Low Ings Farm", "Copperbeck Stores"


@dataclass(frozen=True, slots=True)
class Bin:
    """A lot in a bin: kg bought and left, price per kg, days until best before, gluten by test (mg/kg)."""

    ingredient: str
    code: str
    supplier: str
    bought_kg: float
    stock_kg: float
    price_per_kg: float
    keeps_days: int
    gluten_mg_per_kg: float | None = None


BINS = (
    Bin("white-rice-flour", "SM-2214", SCARTH, 25, 14.2, 2.10, 300, 5),
    Bin("brown-rice-flour", "SM-2231", SCARTH, 25, 11.8, 2.45, 140, 5),
    Bin("glutinous-rice-flour", "CB-0917", COPPERBECK, 5, 3.1, 3.60, 400),
    Bin("sorghum-flour", "LI-061", LOW_INGS, 20, 9.4, 3.10, 150, 5),
    Bin("millet-flour", "LI-064", LOW_INGS, 10, 6.0, 2.95, 75, 8),
    Bin("teff-flour", "SM-2240", SCARTH, 10, 4.3, 5.80, 210, 5),
    Bin("buckwheat-flour", "LI-058", LOW_INGS, 12.5, 5.5, 3.70, 95),
    Bin("light-buckwheat-flour", "LI-059", LOW_INGS, 5, 2.2, 4.20, 190),
    Bin("oat-flour", "SM-2202", SCARTH, 10, 7.7, 3.05, 120, 10),
    Bin("quinoa-flour", "CB-0933", COPPERBECK, 3, 1.9, 8.90, 110, 5),
    Bin("corn-starch", "CB-0871", COPPERBECK, 10, 6.6, 1.90, 700, 5),
    Bin("potato-starch", "CB-0874", COPPERBECK, 12.5, 8.1, 2.60, 720, 5),
    Bin("tapioca-starch", "CB-0880", COPPERBECK, 10, 5.2, 3.20, 690, 5),
    Bin("cassava-flour", "CB-0902", COPPERBECK, 5, 2.8, 5.10, 330),
    Bin("almond-flour", "CB-0940", COPPERBECK, 5, 2.4, 12.40, 100, 5),
    Bin("chestnut-flour", "LI-047", LOW_INGS, 3, 1.1, 11.20, 130),
    Bin("sunflower-seed-flour", "LI-066", LOW_INGS, 4, 2.9, 6.30, 60),
    Bin("chickpea-flour", "SM-2219", SCARTH, 5, 3.4, 3.40, 170, 5),
    Bin("ground-flaxseed", "LI-068", LOW_INGS, 3, 1.7, 4.60, 45),
    Bin("psyllium-husk", "CB-0951", COPPERBECK, 2, 1.3, 17.50, 600, 5),
    Bin("xanthan-gum", "CB-0955", COPPERBECK, 1, 0.7, 21.00, 800, 5),
    Bin("guar-gum", "CB-0956", COPPERBECK, 1, 0.8, 14.00, 620),
)
