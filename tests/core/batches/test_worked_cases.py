"""The worked cases of batches, labels and stock, each with its numbers and how they come about."""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import date
from pathlib import Path
from typing import Any

import pytest

from fallow_sieve.core.batches.adding import premix_steps
from fallow_sieve.core.batches.cleaning import in_order
from fallow_sieve.core.batches.codes import batch_code, read_code
from fallow_sieve.core.batches.drawing import LotLeft, split_lots
from fallow_sieve.core.batches.evenness import counts, evenness, random_limit
from fallow_sieve.core.batches.keeping import PartKept, best_before
from fallow_sieve.core.batches.over_pouring import leave_it, take_out
from fallow_sieve.core.batches.planning import Wanted, band, dilution_of, needed
from fallow_sieve.core.batches.yields import Taken, balance_of
from fallow_sieve.core.labels.claims import claims_of
from fallow_sieve.core.labels.dates import printed_date
from fallow_sieve.core.labels.net_mass import net_mass
from fallow_sieve.core.labels.nutrition import allowed
from fallow_sieve.core.labels.wording import passes
from fallow_sieve.core.stock.budget import GlutenDraw, gluten_budget
from fallow_sieve.core.stock.buying import packs_for
from fallow_sieve.core.values import Estimate, Range
from fallow_sieve.reference.labelling import claim_rules, eu_tolerances, gluten_scheme, net_masses, print_eu

CASES = json.loads((Path(__file__).parents[2] / "cases/batches/worked.json").read_text(encoding="utf-8"))
Given = dict[str, Any]


def day(text: str | None) -> date | None:
    return date.fromisoformat(text) if text else None


def rows(given: Given) -> list[dict[str, float]]:
    return [dict(zip(given["columns"], r, strict=True)) for r in given["items"]]


def lots(given: Given) -> Given:
    found = split_lots(
        given["need_g"],
        [LotLeft(x["code"], x["stock_g"], day(x["best_before"]), held=x.get("held", False)) for x in given["lots"]],
        date.fromisoformat(given["made_on"]),
    )
    return {
        "draws": [[d.code, round(d.mass_g, 2)] for d in found.draws],
        "short_g": found.short_g,
        "left_out": list(found.left_out),
    }


def plan(given: Given) -> Given:
    wanted = Wanted(given["bags"], given["bag_g"], loss_pct=given["loss_pct"])
    found = needed(given["revision_parts_g"], wanted, given["step_g"])
    return {"need_g": round(found.need_g, 2), "targets_g": dict(found.targets_g), "sum_g": found.sum_g}


def out(given: Given) -> Given:
    found = take_out(given["target_g"], given["tolerance_g"], given["poured_g"], given["others_under_it"])
    assert found is not None
    return {"take_out_g": found.take_out_g, "stop_within_g": list(found.stop_within_g)}


def leave(given: Given) -> Given:
    found = leave_it(given["flour_base_g"], given["part_g"], given["poured_g"], given["binder_g"])
    return {
        "part_flour_pct": [round(x, 2) for x in found.part_flour_pct],
        "binder_dose_pct": [round(x, 2) for x in found.binder_dose_pct],
        "total_g": found.total_g,
    }


def tolerance(given: Given) -> Given:
    found = [band(r["target_g"], r["step_g"], r["pct"]) for r in rows(given)]
    return {"tolerance_g": [b.tolerance_g for b in found], "too_coarse": [b.too_coarse for b in found]}


def diluted(given: Given) -> Given:
    d = dilution_of(given["dose_g"], given["readability_g"])
    assert d is not None
    first = d.premixes[0]
    left_g = first.of_g + first.flour_g - d.take_g
    return {
        "premix_of_g": first.of_g, "premix_flour_g": first.flour_g, "take_g": d.take_g, "flour_g": d.flour_g,
        "left_over_g": left_g, "left_over_binder_g": left_g / 10,
    }  # fmt: skip


def premix(given: Given) -> Given:
    steps = [premix_steps(r["dose_g"], r["batch_g"], given["least_pct"]) for r in rows(given)]
    return {"steps": steps, "last_premix_g": [r["dose_g"] * 10**n for r, n in zip(rows(given), steps, strict=True)]}


def even(given: Given) -> Given:
    found = evenness(given["assay_pct"], given["wanted_cv_pct"])
    return {
        "mean": round(found.mean, 3), "cv_pct": round(found.cv_pct, 2), "upper95_pct": round(found.upper95_pct, 2),
        "say": found.say,
    }  # fmt: skip


def counted(given: Given) -> Given:
    f = counts(given["counts"])
    return {
        "mean": round(f.mean, 2), "cv_pct": round(f.cv_pct, 2), "chance_cv_pct": round(f.chance_cv_pct, 2),
        "dispersion": round(f.dispersion, 2), "limit_95": round(f.limit_95, 2), "say": f.say,
    }  # fmt: skip


def chance(given: Given) -> Given:
    found = [
        random_limit(r["diameter_um"], r["density_g_per_ml"], r["mass_fraction"], r["sample_g"]) for r in rows(given)
    ]
    return {
        "particle_ug": [round(c.particle_ug, 2) for c in found],
        "particles": [round(c.particles, 1) for c in found],
        "cv_pct": [round(c.cv_pct, 2) for c in found],
    }


def keeps(given: Given) -> Given:
    parts = [
        PartKept(p["slug"], day(p["lot_best_before"]), day(p["from"]), "buying", Range(*p["months"]))
        for p in given["parts"]
    ]
    found = best_before(parts, date.fromisoformat(given["made_on"]), given["store_temp_c"])
    return {"low": str(found.low)}


def dates(given: Given) -> Given:
    made = date.fromisoformat(given["made_on"])
    return {"printed": [printed_date(made, date.fromisoformat(d)).words for d in given["dates"]]}


def code(given: Given) -> Given:
    made = batch_code(date.fromisoformat(given["made_on"]), given["number_of_the_day"])
    return {"code": made, "valid": [read_code(t).valid for t in given["reads"]]}


def look_alikes(given: Given) -> Given:
    found = read_code(given["example"])
    return {"read_as": found.code, "valid": found.valid}


def balance(given: Given) -> Given:
    taken = Taken(given["kept_sample_g"], given["sieve_rest_g"], given["left_over_premix_g"])
    found = balance_of(given["weighed_in_g"], given["bags_g"], taken, given["wanted_loss_pct"])
    return {"unexplained_g": found.unexplained_g, "unexplained_pct": round(found.unexplained_pct, 1), "ok": found.ok}


def gluten(given: Given) -> Given:
    found = gluten_budget([GlutenDraw(*d) for d in given["draws"]], given["limit"])
    return {"status": found.status, "known_mg_per_kg": round(found.known_mg_per_kg, 2)}


def wording(given: Given) -> Given:
    return {s: passes(given["value_mg_per_kg"], gluten_scheme(s)) for s in ("eu", "codex", "us", "anz")}


def rounding(given: Given) -> Given:
    found = {n: [print_eu(n, v) for v in values] for n, values in given.items() if n != "energy"}
    return {**found, "energy": [print_eu("energy_kj", v) for v in given["energy"]]}


def claim(given: Given) -> Given:
    share = given["mix_g"] / given["baked_g"]
    low, kcal = given["fibre_g_per_100_g_mix"]["low"] * share, given["energy_kcal_per_100_g_mix"] * share
    eaten = {"fibre_g": Estimate(low, low, low), "energy_kcal": Estimate(kcal, kcal, kcal)}
    dry_low = given["fibre_g_per_100_g_mix"]["low"]
    rules = [r for r in claim_rules("eu") if r.nutrient == "fibre_g"]
    dry = {"fibre_g": Estimate(dry_low, dry_low, dry_low), "energy_kcal": Estimate(347.0, 347.0, 347.0)}
    assert [c.holds for c in claims_of(dry, rules)] == [True, False]
    assert not any(c.holds for c in claims_of(eaten, rules))
    return {"baked_low": round(low, 2), "baked_low_per_100_kcal": round(100 * low / kcal, 3)}


def net(given: Given) -> Given:
    found = [net_mass(g, net_masses()) for g in given["nominal_g"]]
    return {"tolerable_g": [n.tolerable_g for n in found], "none_below_twice_g": [n.none_below_twice_g for n in found]}


def packs(given: Given) -> Given:
    found = packs_for(given["need_g"], [(g, price) for g, price in given["packs"]])
    assert found is not None
    return {
        "buy": {f"{size:g}": n for size, n in found.buy.items()}, "price": found.price,
        "left_over_g": found.left_over_g,
    }  # fmt: skip


def cleaning(given: Given) -> Given:
    found = in_order(given["batches"])
    return {"least_cleans": sum(found.cleans), "order": list(found.order)}


def tolerated(given: Given) -> Given:
    may = allowed("fibre_g", given["declared_g"], eu_tolerances())
    assert may is not None
    low, high = given["interval_g"]
    return {"allowed_g": [round(x, 1) for x in may], "inside": may[0] <= low and high <= may[1]}


RULES: dict[str, Callable[[Given], Given]] = {
    "split_lots": lots, "plan": plan, "over_pour_out": out, "over_pour_leave": leave, "tolerance": tolerance,
    "dilute": diluted, "premix_steps": premix, "evenness": even, "counts": counted, "random_limit": chance,
    "best_before": keeps, "date_words_eu": dates, "batch_code": code, "batch_code_read": look_alikes,
    "balance": balance, "gluten": gluten, "gf_wording": wording, "eu_rounding": rounding, "claim": claim,
    "net_mass": net, "packs": packs, "cleaning": cleaning, "tolerance_check": tolerated,
}  # fmt: skip


@pytest.mark.parametrize("case", [c for c in CASES if c["rule"] in RULES], ids=lambda c: c["name"])
def test_a_worked_case_comes_out(case):
    found = RULES[case["rule"]](case["given"])
    wanted = {n: v for n, v in case["expect"].items() if n in found}
    assert wanted, "nothing of the case was looked at"
    for name, value in wanted.items():
        assert same(found[name], value), (name, found[name], value)


def same(found: Any, wanted: Any) -> bool:
    if isinstance(wanted, float | int) and not isinstance(wanted, bool):
        return found == pytest.approx(wanted, abs=1e-6)
    if isinstance(wanted, list):
        return len(found) == len(wanted) and all(same(a, b) for a, b in zip(found, wanted, strict=True))
    if isinstance(wanted, dict):
        return set(found) == set(wanted) and all(same(found[k], wanted[k]) for k in wanted)
    return bool(found == wanted)


def test_every_case_but_the_font_and_the_scoop_is_looked_at_here():
    assert {c["rule"] for c in CASES} - set(RULES) == {"scoop", "type_size"}
