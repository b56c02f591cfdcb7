"""A batch over HTTP as a person makes it: planned, begun, weighed, from lots that hold enough."""

from __future__ import annotations

API = "/api/v1"


def planned(client, blend=1, bags=4, bag_g=500, **making):
    made = client.post(f"{API}/batches", json={"blend_id": blend})
    assert made.status_code == 201, made.json
    return saved(client, made.json, {"bags": bags, "bag_g": bag_g}, **making)


def saved(client, page, wanted, **making):
    sent = {
        "name": page["name"],
        "wanted": {**page["wanted"], **wanted},
        "making": {**page["making"], **making},
    }
    found = client.put(f"{API}/batches/{page['id']}", json=sent, headers={"If-Match": str(page["version"])})
    assert found.status_code == 200, found.json
    return found.json


def bring(client, page, to, **more):
    now = client.get(f"{API}/batches/{page['id']}").json
    return client.post(
        f"{API}/batches/{page['id']}/state", json={"to": to, **more}, headers={"If-Match": str(now["version"])}
    )


def weigh(client, page, ingredient, net_g, key, **more):
    return client.put(
        f"{API}/batches/{page['id']}/weighings/{key}", json={"ingredient": ingredient, "net_g": net_g, **more}
    )


def add_lot(client, slug, **lot):
    made = client.post(f"{API}/ingredients/{slug}/lots", json=lot)
    assert made.status_code == 201, made.json
    return next(x["id"] for x in made.json["items"] if x["code"] == lot["code"])


def stocked(client, page):
    """Give every part a lot that holds enough of it."""
    ids = {}
    for n, p in enumerate(page["parts"]):
        lot = {"code": f"T-{n}", "bought_g": 9000, "stock_g": 9000, "gluten_mg_per_kg": 5, "gluten_basis": "test",
               "gluten_on": "2026-01-10", "best_before": "2027-06-01", "bought_on": "2026-01-05"}  # fmt: skip
        ids[p["ingredient"]] = add_lot(client, p["ingredient"], **lot)
    return ids


def lot_g(client, slug, lot_id):
    return next(x for x in client.get(f"{API}/ingredients/{slug}/lots").json["items"] if x["id"] == lot_id)["stock_g"]


def weigh_all(client, page, lots):
    for n, p in enumerate(page["parts"]):
        found = weigh(client, page, p["ingredient"], p["target_g"], f"all-of-it-{n}", lot_id=lots[p["ingredient"]])
        assert found.status_code == 200, found.json
