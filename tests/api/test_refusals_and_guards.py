"""What is refused, and how; and what keeps the pages to themselves."""

from __future__ import annotations

import pytest

from fallow_sieve.api.app import create_app
from fallow_sieve.api.problems import status_of
from fallow_sieve.api.security import MAX_REQUEST_BYTES
from fallow_sieve.core.values import errors as core_errors
from fallow_sieve.store import errors as store_errors

API = "/api/v1"


PARTS = [{"ingredient": "sorghum-flour", "mass_g": 300}, {"ingredient": "potato-starch", "mass_g": 200}]


def draft_of(client, blend_id=1):
    return client.get(f"{API}/blends/{blend_id}/draft").json


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
