"""What is kept of a judgement holds as long as all that it rested on: then it is the same as judging anew."""

from __future__ import annotations

import time
from dataclasses import replace
from datetime import date

import pytest

from fallow_sieve.core.ingredients.ingredient import Fact, Quality
from fallow_sieve.core.values.estimates import Range
from fallow_sieve.services.blends import kept
from fallow_sieve.services.blends.kept import Effort, standings
from fallow_sieve.services.blends.looking import keep, look_behind
from fallow_sieve.services.blends.standing import blend_standing
from fallow_sieve.services.kitchen import kitchen_now
from fallow_sieve.store.blends import BLENDS
from fallow_sieve.store.briefs import get_brief, save_brief
from fallow_sieve.store.ingredients.ingredients import put_number
from fallow_sieve.store.ingredients.lots import lots_of, save_lot
from fallow_sieve.store.kitchen import save_settings, settings_of
from fallow_sieve.store.kitchen_store import KitchenStore
from fallow_sieve.store.standings import blends_of_brief, kept_standings

TODAY = date(2026, 3, 14)
NOW = "2026-03-14T09:30:00Z"
BRIEF = 1


@pytest.fixture
def kitchen(demo_db):
    made = KitchenStore(demo_db)
    yield made
    made.close()


def look(kitchen, left=1000):
    """How the brief's blends stand, and how many had to be judged for it."""
    now = kitchen_now(kitchen, TODAY, BRIEF)
    effort = Effort(left, [])
    with kitchen.reading() as session:
        found = standings(session, blends_of_brief(session, BRIEF), now, effort)
    keep(kitchen, effort.fresh)
    return found, len(effort.fresh)


def anew(kitchen):
    now = kitchen_now(kitchen, TODAY, BRIEF)
    with kitchen.reading() as session:
        return {b.head.id: blend_standing(session, b.head, now) for b in blends_of_brief(session, BRIEF)}


def test_what_is_kept_is_what_judging_says_and_is_judged_once(kitchen):
    found, judged = look(kitchen)
    assert found == anew(kitchen)
    assert judged == len(found) >= 3
    assert look(kitchen) == (found, 0)


def draft_changes(session):
    draft = BLENDS.draft(session, 1)
    heavier = replace(draft.content.parts[0], mass_g=draft.content.parts[0].mass_g + 400)
    content = replace(draft.content, parts=(heavier, *draft.content.parts[1:]))
    BLENDS.save_draft(session, 1, content, draft.based_on, draft.version, NOW)


def revision_is_kept(session):
    draft_changes(session)
    BLENDS.keep(session, 1, "heavier", BLENDS.draft(session, 1).version, NOW)


def number_changes(session):
    put_number(session, "teff-flour", "fibre_g", Fact(Range(1.0, 2.0, 3.0), Quality.LABEL, "mill"), 1)


def price_changes(session):
    for lot in lots_of(session, "teff-flour"):
        save_lot(session, lot.id, replace(lot.lot, pack_g=1000.0, pack_price=99.0), lot.archived, lot.version)


def settings_change(session):
    now = settings_of(session)
    save_settings(session, {"cup": "metric", "currency": "XAU"}, now.version)


def brief_changes(session):
    brief = get_brief(session, BRIEF)
    values = {"name": brief.name, "use": brief.use}
    save_brief(session, BRIEF, values, replace(brief.limits, price_cap_per_kg=0.5), brief.version, NOW)


@pytest.mark.parametrize(
    ("change", "all_of_them"),
    [
        (draft_changes, False),
        (revision_is_kept, False),
        (number_changes, False),
        (price_changes, False),
        (settings_change, True),
        (brief_changes, True),
    ],
)
def test_whatever_a_judgement_rests_on_makes_it_anew_when_it_changes(kitchen, change, all_of_them):
    before, _ = look(kitchen)
    with kitchen.writing() as session:
        change(session)
    after, judged = look(kitchen)
    assert after == anew(kitchen)
    assert (after != before) or change in (number_changes, settings_change)  # these need not change what is said
    assert judged == len(after) if all_of_them else 1 <= judged <= len(after)
    assert look(kitchen) == (after, 0)


def test_a_new_version_of_the_judgement_or_of_the_tables_judges_anew(kitchen, monkeypatch):
    _, judged = look(kitchen)
    monkeypatch.setattr(kept, "JUDGED_AS", kept.JUDGED_AS + 1)
    assert look(kitchen)[1] == judged
    monkeypatch.setattr(kept, "tables_version", lambda: "other")
    assert look(kitchen)[1] == judged


def test_a_page_judges_so_many_and_the_rest_is_judged_behind_it(kitchen):
    found, judged = look(kitchen, left=1)
    assert judged == len(found) == 1
    assert max(anew(kitchen)) in found  # the newest first
    look_behind(kitchen, [BRIEF], TODAY)
    for _ in range(400):
        with kitchen.reading() as session:
            known = kept_standings(session, list(anew(kitchen)))
        if len(known) == len(anew(kitchen)):
            break
        time.sleep(0.05)
    assert look(kitchen, left=0) == (anew(kitchen), 0)


def test_a_brief_says_how_many_blends_were_not_looked_at(client, monkeypatch):
    from fallow_sieve.api.briefs import routes

    monkeypatch.setattr(routes, "JUDGED_AT_ONCE", 1)
    monkeypatch.setattr(routes, "look_behind", lambda *_: None)
    (first, *_) = client.get("/api/v1/briefs").json["items"]
    assert first["unseen"] == first["more"] + len(first["blends"]) - 1
    assert f"of {first['unseen'] + 1}" in first["progress"]["say"]
    monkeypatch.setattr(routes, "JUDGED_AT_ONCE", 1000)
    whole = client.get("/api/v1/briefs").json["items"][0]
    assert (whole["unseen"], "of " in whole["progress"]["say"]) == (0, True)
