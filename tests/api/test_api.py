"""The API by its promises: what it answers, what it refuses and how, and that nobody overwrites anybody."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest

from fallow_sieve.api.app import create_app
from fallow_sieve.api.openapi import openapi_text
from fallow_sieve.api.problems import status_of
from fallow_sieve.api.security import MAX_REQUEST_BYTES
from fallow_sieve.api.spec import DOCUMENT
from fallow_sieve.core.values import errors as core_errors
from fallow_sieve.store import errors as store_errors

API = "/api/v1"
PARTS = [{"ingredient": "sorghum-flour", "mass_g": 300}, {"ingredient": "potato-starch", "mass_g": 200}]


def put(client, path, body, version):
    return client.put(f"{API}{path}", json=body, headers={"If-Match": f'"{version}"'})


def draft_of(client, blend_id=1):
    return client.get(f"{API}/blends/{blend_id}/draft").json


# What is judged


def test_analyse_is_the_judgement_of_the_core(client):
    found = client.post(f"{API}/analyse", json={"parts": PARTS, "use": "tin-loaf"}).json
    assert found["analysis"]["mass_g"] == 500
    assert found["fit"]["use"] == "tin-loaf"
    assert {s["band"]["metric"] for s in found["sieves"]} == {b["band"]["metric"] for b in found["fit"]["bands"]}
    order = ["held", "close", "unknown", "pass"]
    statuses = [s["status"] for s in found["sieves"]]
    assert statuses == sorted(statuses, key=order.index)


def test_analyse_within_a_brief_minds_its_limits(client):
    found = client.post(f"{API}/analyse", json={"parts": PARTS, "use": "tin-loaf", "brief_id": 1}).json
    fibre = next(s for s in found["sieves"] if s["band"]["metric"] == "fibre_pct")
    assert (fibre["band"]["good_low"], fibre["band"]["basis"]) == (6.0, "this brief")
    assert {x["limit"] for x in found["limits"]} == {"allergens", "price"}


def test_prices_come_from_the_bins(client):
    cost = client.post(f"{API}/analyse", json={"parts": PARTS}).json["analysis"]["cost_per_kg"]
    assert cost["typical"] == pytest.approx((300 * 3.10 + 200 * 2.60) / 500)


def test_explain_gives_terms_that_add_up_to_what_analyse_said(client):
    said = client.post(f"{API}/analyse", json={"parts": PARTS}).json["analysis"]["metrics"]["fibre_pct"]["typical"]
    found = client.post(f"{API}/explain", json={"parts": PARTS, "metric": "fibre_pct"}).json
    assert sum(t["gives"] for t in found["terms"]) == pytest.approx(said)


def test_compose_sets_a_share_scales_and_adds(client):
    def compose(**change):
        return client.post(f"{API}/compose", json={"parts": PARTS, **change})

    shared = compose(action="set-flour-share", ingredient="potato-starch", value=25).json["parts"]
    assert [p["mass_g"] for p in shared] == pytest.approx([375, 125])
    assert [p["mass_g"] for p in compose(action="scale-to", value=1000).json["parts"]] == [600, 400]
    added = compose(action="add", ingredient="psyllium-husk", use="tin-loaf").json["parts"][-1]
    assert added == {
        "ingredient": "psyllium-husk",
        "mass_g": pytest.approx(25, abs=10),
        "locked": False,
        "lot_id": None,
    }
    missing = compose(action="scale-to")
    assert (missing.status_code, missing.json["place"]) == (422, "/value")


def test_differences_say_what_moved(client):
    other = [{"ingredient": "sorghum-flour", "mass_g": 400}, {"ingredient": "potato-starch", "mass_g": 100}]
    found = client.post(f"{API}/differences", json={"before": PARTS, "after": other}).json
    assert found["moved_pct"] == pytest.approx(20)


def test_nutrition_stands_on_three_bases_with_known_shares(client):
    columns = client.post(f"{API}/nutrition", json={"parts": PARTS}).json["columns"]
    assert [c["label"] for c in columns] == ["100 g", "¼ cup", "serving"]
    hundred, cup, serving = (c["values"] for c in columns)
    assert (hundred["mass_g"], serving["mass_g"]) == (100, 30)
    protein = hundred["nutrients"]["protein_g"]["typical"]
    assert cup["nutrients"]["protein_g"]["typical"] == pytest.approx(protein * cup["mass_g"] / 100)
    assert columns[0]["known_mass_pct"]["protein_g"] == pytest.approx(100)


# What is kept


def test_a_draft_is_saved_by_etag(client):
    before = draft_of(client)
    saved = put(client, "/blends/1/draft", {"content": {"parts": PARTS}, "based_on": 4}, before["version"])
    assert saved.status_code == 200
    assert saved.headers["ETag"] == f'"{before["version"] + 1}"'
    assert [p["mass_g"] for p in draft_of(client)["content"]["parts"]] == [300, 200]


def test_a_stale_save_gets_412_and_both_versions_and_overwrites_nothing(client):
    version = draft_of(client)["version"]
    put(client, "/blends/1/draft", {"content": {"parts": PARTS}}, version)
    stale = put(client, "/blends/1/draft", {"content": {"parts": PARTS[:1]}}, version)
    assert stale.status_code == 412
    assert len(stale.json["current"]["content"]["parts"]) == 2
    assert len(stale.json["submitted"]["content"]["parts"]) == 1
    assert len(draft_of(client)["content"]["parts"]) == 2


@pytest.mark.parametrize("value", [None, "3", '"x"', "*", '"999999999999999999999"'], ids=str)
def test_an_edit_without_a_usable_if_match_is_refused(client, value):
    headers = {} if value is None else {"If-Match": value}
    answer = client.put(f"{API}/blends/1/draft", json={"content": {"parts": PARTS}}, headers=headers)
    assert answer.status_code == (412 if value == "3" else 422)


def test_a_revision_is_kept_with_why_and_the_bench_goes_on_from_it(client):
    version = draft_of(client)["version"]
    kept = client.post(
        f"{API}/blends/1/revisions", json={"why": " Less starch. "}, headers={"If-Match": f'"{version}"'}
    )
    assert kept.status_code == 201
    assert kept.json["revisions"][-1]["why"] == "Less starch."
    assert kept.json["draft"]["based_on"] == 5


@pytest.mark.parametrize("why", ["", "   ", "x" * 501])
def test_a_revision_without_a_reason_is_refused(client, why):
    version = draft_of(client)["version"]
    answer = client.post(f"{API}/blends/1/revisions", json={"why": why}, headers={"If-Match": f'"{version}"'})
    assert (answer.status_code, answer.json["place"]) == (422, "/why")


def test_a_new_blend_of_a_brief_is_for_its_use_and_starts_empty(client):
    made = client.post(f"{API}/blends", json={"name": "Next", "brief_id": 2})
    assert (made.status_code, made.json["draft"]["content"]) == (201, {"use": "crispbread", "parts": []})


def test_a_blend_is_renamed_put_away_and_duplicated(client):
    body = {"name": "Renamed", "brief_id": 1, "archived": True}
    assert put(client, "/blends/1", body, 1).json["name"] == "Renamed"
    assert 1 not in [b["head"]["id"] for b in client.get(f"{API}/blends").json["items"]]
    assert [b["head"]["id"] for b in client.get(f"{API}/blends?archived=1").json["items"]] == [1]
    copy = client.post(f"{API}/blends/1/duplicate", json={"name": "Copy"}).json
    assert copy["draft"]["content"]["parts"] == draft_of(client)["content"]["parts"]


def test_a_brief_is_written_changed_and_put_away(client):
    body = {"name": "New", "use": "scone", "limits": {"max_bins": 4, "bands": [{"metric": "fibre_pct", "good_low": 5}]}}
    made = client.post(f"{API}/briefs", json=body)
    assert made.status_code == 201
    assert made.json["wishes"] == ["at least 5 g/100 g fibre", "at most 4 bins"]
    brief_id = made.json["brief"]["id"]
    assert put(client, f"/briefs/{brief_id}", {**body, "archived": True}, 1).status_code == 200
    assert brief_id not in [b["brief"]["id"] for b in client.get(f"{API}/briefs").json["items"]]
    assert [b["brief"]["id"] for b in client.get(f"{API}/briefs?archived=1").json["items"]] == [brief_id]
    assert put(client, f"/briefs/{brief_id}", body, 1).status_code == 412


@pytest.mark.parametrize(
    ("body", "words"),
    [
        ({"name": "N", "use": "tin-lof"}, "did you mean tin-loaf"),
        ({"name": "N", "use": "scone", "limits": {"exclude": ["nobody"]}}, "unknown ingredient 'nobody'"),
        ({"name": "N", "use": "scone", "limits": {"bands": [{"metric": "fiber_pct"}]}}, "did you mean fibre_pct"),
        ({"name": "N", "use": "scone", "limits": {"bands": [{"metric": "fibre_pct", "good_low": 9, "good_high": 2}]}}, "out of order"),
        ({"name": " ", "use": "scone"}, "/name"),
        ({"name": "N", "use": "scone", "aim": "tastiest"}, "/aim"),
        ({"name": "N", "use": "scone", "limits": {"price_cap_per_kg": -1}}, "/limits/price_cap_per_kg"),
    ],
    ids=str,
)  # fmt: skip
def test_a_brief_that_cannot_hold_says_what_and_where(client, body, words):
    answer = client.post(f"{API}/briefs", json=body)
    assert answer.status_code == 422
    assert words in json.dumps(answer.json)


def test_settings_are_saved_and_change_what_a_cup_weighs(client):
    def cup() -> float:
        return client.post(f"{API}/analyse", json={"parts": PARTS}).json["analysis"]["metrics"]["cup_g"]["typical"]

    metric = cup()
    settings = client.get(f"{API}/kitchen")
    body = {k: v for k, v in settings.json.items() if k != "version"}
    assert put(client, "/kitchen", {**body, "cup": "us"}, settings.json["version"]).status_code == 200
    assert cup() == pytest.approx(metric * 236.5882365 / 250)


def test_lists_page_by_cursor_without_gaps_or_doubles(client):
    seen, cursor = [], "0"
    while cursor:
        page = client.get(f"{API}/blends?limit=3&cursor={cursor}").json
        seen += [b["head"]["id"] for b in page["items"]]
        cursor = page["next"]
    assert seen == list(range(1, 10))


@pytest.mark.parametrize("query", ["limit=0", "limit=101", "limit=x", "cursor=-1", "cursor=1e3"])
def test_a_page_that_cannot_be_is_refused_by_name(client, query):
    answer = client.get(f"{API}/blends?{query}")
    assert (answer.status_code, answer.json["place"]) == (422, f"?{query.split('=')[0]}")


# What is found


@pytest.mark.parametrize(
    ("query", "first"), [("cassava", "cassava-flour"), ("besan", "chickpea-flour"), ("TEFF", "teff-flour"), ("psylium", "psyllium-husk")]
)  # fmt: skip
def test_ingredients_are_found_by_what_people_call_them(client, query, first):
    assert client.get(f"{API}/ingredients?q={query}").json["items"][0]["slug"] == first


def test_a_look_alike_tells_the_two_apart(client):
    found = client.get(f"{API}/ingredients/potato-starch").json["look_alikes"]
    assert found[0]["ingredient"] == "potato-flour"
    assert "gummy" in found[0]["differ"]
    assert client.get(f"{API}/ingredients/nobody").status_code == 404


def test_search_finds_briefs_and_blends(client):
    kinds = {(f["kind"], f["name"]) for f in client.get(f"{API}/search?q=summit").json["items"]}
    assert {("brief", "Summit tin loaf"), ("blend", "Summit mix")} <= kinds


def test_the_reference_says_once_what_the_pages_need(client):
    found = client.get(f"{API}/reference").json
    assert len(found["uses"]) == 19
    assert next(m["name"] for m in found["metrics"] if m["banded"]) == "protein_pct"
    assert found["roles"][0]["name"] == "whole_grain"
    assert {"name": "animal", "label": "animal products"} in found["allergens"]


def test_briefs_say_their_state_and_next_step(client):
    briefs = {b["brief"]["name"]: b for b in client.get(f"{API}/briefs").json["items"]}
    assert briefs["Summit tin loaf"]["progress"]["say"] == "1 of 3 blends gets through."
    assert briefs["Summit tin loaf"]["progress"]["action"] == "keep"


# In and out


def test_a_blend_goes_out_as_a_file_and_comes_back_the_same(client):
    out = client.get(f"{API}/blends/1/export?format=json")
    assert out.headers["Content-Disposition"] == 'attachment; filename="summit-mix.json"'
    back = client.post(f"{API}/blends/import", data=out.data, content_type="application/json")
    assert back.status_code == 201
    strip = [(p["ingredient"], p["mass_g"]) for p in draft_of(client)["content"]["parts"]]
    assert [(p["ingredient"], p["mass_g"]) for p in back.json["blend"]["draft"]["content"]["parts"]] == strip


def test_a_revision_goes_out_as_csv_and_comes_back(client):
    out = client.get(f"{API}/blends/1/export?format=csv&revision=1")
    assert out.mimetype == "text/csv"
    back = client.post(f"{API}/blends/import?name=First", data=out.data, content_type="text/csv").json["blend"]
    assert (back["head"]["name"], len(back["draft"]["content"]["parts"])) == ("First", 5)


def test_an_imported_definition_joins_the_kitchen_and_goes_out_again(client):
    mine = {
        "slug": "my-flour",
        "name": "My flour",
        "role": "whole_grain",
        "per_100_g": {"protein_g": 9},
        "price_per_kg": 3,
    }
    file = {"format": "fallow-sieve/blend", "version": 1, "name": "M", "parts": [{"ingredient": "my-flour", "mass_g": 9}], "ingredients": [mine]}  # fmt: skip
    added = client.post(f"{API}/blends/import", json=file).json
    assert added["notes"] == ["my-flour was added to your ingredients."]
    again = client.post(f"{API}/blends/import", json=file).json
    assert "its own numbers were kept" in again["notes"][0]
    out = client.get(f"{API}/blends/{again['blend']['head']['id']}/export?format=json").json
    assert out["ingredients"][0]["slug"] == "my-flour"


@pytest.mark.parametrize(
    ("data", "kind", "words"),
    [
        (b"{", "application/json", "not JSON"),
        (b"ingredient,mass_g\nnobody,5", "text/csv", "unknown ingredient 'nobody'"),
        (b"x", "image/png", "send a blend file"),
    ],
)
def test_a_broken_file_is_refused_and_nothing_is_added(client, data, kind, words):
    before = client.get(f"{API}/blends").json
    answer = client.post(f"{API}/blends/import", data=data, content_type=kind)
    assert answer.status_code == 422
    assert words in json.dumps(answer.json)
    assert client.get(f"{API}/blends").json == before


def test_an_empty_blend_has_nothing_to_export(client):
    blend_id = client.post(f"{API}/blends", json={"name": "Empty"}).json["head"]["id"]
    assert client.get(f"{API}/blends/{blend_id}/export").status_code == 422
    assert client.get(f"{API}/blends/1/export?format=xml").json["place"] == "?format"


# What is refused, and how


@pytest.mark.parametrize(
    ("body", "place"),
    [
        ({"parts": [{"ingredient": "teff-flour", "mass_g": 0}]}, "/parts/0/mass_g"),
        ({"parts": [{"ingredient": "teff-flour", "mass_g": "5"}]}, "/parts/0/mass_g"),
        ({"parts": [{"ingredient": "teff-flour", "mass_g": True}]}, "/parts/0/mass_g"),
        ({"parts": [{"ingredient": "tef-flour", "mass_g": 5}]}, "/parts/0/ingredient"),
        ({"parts": PARTS * 2}, "/parts/2/ingredient"),
        ({"parts": PARTS, "use": "nothing"}, "/use"),
        ({"parts": PARTS, "more": 1}, "/more"),
        ({"parts": []}, "/parts"),
        ([], "/"),
    ],
    ids=str,
)
def test_a_bad_body_is_a_problem_that_names_the_place(client, body, place):
    answer = client.post(f"{API}/analyse", json=body)
    assert answer.status_code == 422
    assert answer.mimetype == "application/problem+json"
    assert answer.json["place"] == place


@pytest.mark.parametrize(
    "data", [b"NaN", b"{", b"\xff", b"[" * 60_000, b'{"parts": [{"ingredient": "a", "mass_g": NaN}]}']
)
def test_a_body_that_is_no_json_is_a_problem_not_a_crash(client, data):
    answer = client.post(f"{API}/analyse", data=data, content_type="application/json")
    assert (answer.status_code, answer.mimetype) == (422, "application/problem+json")


@pytest.mark.parametrize(
    ("method", "path", "status"),
    [("get", "/blends/99", 404), ("get", "/blends/x", 404), ("get", "/nothing", 404), ("delete", "/blends", 405), ("get", "/briefs/99", 404), ("get", "/blends/1/export?revision=99", 404)],
)  # fmt: skip
def test_what_is_not_there_is_a_problem_too(client, method, path, status):
    answer = getattr(client, method)(f"{API}{path}")
    assert (answer.status_code, answer.mimetype) == (status, "application/problem+json")
    assert status != 405 or "GET" in answer.headers["Allow"]


def test_a_body_over_the_limit_is_refused_unread(client):
    answer = client.post(f"{API}/analyse", data=b" " * (MAX_REQUEST_BYTES + 1), content_type="application/json")
    assert answer.status_code == 413


def test_every_error_of_ours_has_a_status_of_its_own():
    def children(kind):
        return [kind, *(c for k in kind.__subclasses__() for c in children(k))]

    raised = {
        core_errors.BadInputError: 422, core_errors.UnknownNameError: 422, core_errors.QuantityError: 422,
        store_errors.NotFoundError: 404, store_errors.StaleSaveError: 412, store_errors.InUseError: 409,
    }  # fmt: skip
    known = [k for k in children(core_errors.FallowSieveError) if k.__module__.startswith("fallow_sieve")]
    assert set(raised) <= set(known)
    for kind, status in raised.items():
        assert status_of(kind.__new__(kind))[0] == status


def test_a_full_disk_says_so_and_loses_nothing(client, app):
    before = draft_of(client)
    pages = app.extensions["kitchen"]
    with pages.writing() as session:
        session.connection().exec_driver_sql("PRAGMA max_page_count = 1")
    big = [{"ingredient": p["ingredient"], "mass_g": p["mass_g"]} for p in before["content"]["parts"]]
    # The limit holds for the one connection in the pool; a long note makes the database want another page.
    answer = client.post(
        f"{API}/briefs", json={"name": "Long", "use": "scone", "note": "x" * 2000, "eaters": "y" * 2000}
    )
    for _ in range(20):
        if answer.status_code == 507:
            break
        answer = client.post(f"{API}/briefs", json={"name": "Long", "use": "scone", "note": "x" * 2000, "eaters": "y" * 2000})  # fmt: skip
    assert answer.status_code == 507
    assert "nothing was lost" in answer.json["detail"]
    assert draft_of(client)["content"]["parts"] == before["content"]["parts"]
    assert client.post(f"{API}/analyse", json={"parts": big}).status_code == 200


# What protects the pages


def test_every_answer_carries_the_headers_that_keep_it_to_itself(client):
    for path in ("/", f"{API}/ping", f"{API}/nothing"):
        headers = client.get(path).headers
        policy = headers["Content-Security-Policy"]
        assert "script-src 'self';" in policy
        assert "frame-ancestors 'none'" in policy
        assert headers["X-Content-Type-Options"] == "nosniff"
        assert headers["X-Frame-Options"] == "DENY"
        assert headers["Cross-Origin-Resource-Policy"] == "same-origin"


def test_a_change_from_another_origin_is_refused(client):
    body = {"name": "Evil", "use": "scone"}
    assert client.post(f"{API}/briefs", json=body, headers={"Origin": "http://elsewhere.example"}).status_code == 403
    assert client.post(f"{API}/briefs", json=body, headers={"Origin": "http://localhost"}).status_code == 201
    form = client.post(f"{API}/briefs", data="name=Evil", content_type="text/plain")
    assert form.status_code == 422


def test_another_name_that_leads_to_this_machine_is_not_answered(client, demo_db):
    answer = client.get(f"{API}/briefs", headers={"Host": "elsewhere.example:8765"})
    assert (answer.status_code, answer.mimetype) == (400, "application/problem+json")
    assert client.get(f"{API}/briefs", headers={"Host": "127.0.0.1:8765"}).status_code == 200
    opened = create_app(demo_db, only_this_machine=False).test_client()
    assert opened.get(f"{API}/briefs", headers={"Host": "kitchen.example"}).status_code == 200


def test_without_built_pages_it_says_how_to_build_them(demo_db, tmp_path):
    bare = create_app(demo_db, web_dist=tmp_path / "none").test_client().get("/")
    assert bare.status_code == 503
    assert "make setup" in bare.text


# The description of itself


def test_the_openapi_document_beside_the_code_is_the_one_the_code_makes(app):
    assert DOCUMENT.read_text(encoding="utf-8") == openapi_text(app), "run `make schemas`"


def test_the_openapi_document_is_served_and_names_every_route(client, app):
    paths = client.get(f"{API}/openapi.json").json["paths"]
    routes = {re.sub(r"<int[^:]*:", "{", r.rule).replace("<", "{").replace(">", "}") for r in app.url_map.iter_rules() if r.rule.startswith(API)}  # fmt: skip
    assert routes - {f"{API}/ping", f"{API}/openapi.json"} == set(paths)


def test_the_types_of_the_pages_were_made_from_this_document():
    types = Path(__file__).parents[2].joinpath("web/src/lib/api/schema.d.ts").read_text(encoding="utf-8")
    for name in json.loads(DOCUMENT.read_text(encoding="utf-8"))["components"]["schemas"]:
        assert f"        {name}: " in types, "run `make schemas`"
