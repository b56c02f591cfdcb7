"""One blend's fibre and one batch's allergens, wherever they are shown: page, list, label, file, command, archive."""

import io
import json
import shutil
import zipfile
from pathlib import Path

import pytest

from fallow_sieve.api.app import create_app
from running import run

API = "/api/v1"
BATCHES = range(1, 5)
BLENDS = (1, 3, 4, 5, 7, 12)


@pytest.fixture(scope="module")
def db(demo_master, tmp_path_factory):
    return Path(shutil.copy(demo_master, tmp_path_factory.mktemp("batches") / "demo.db"))


@pytest.fixture(scope="module")
def client(db):
    app = create_app(db)
    yield app.test_client()
    app.extensions["kitchen"].close()


@pytest.fixture(scope="module")
def archive(client):
    data = client.get(f"{API}/kitchen/archive").data
    with zipfile.ZipFile(io.BytesIO(data)) as found:
        return {n: found.read(n) for n in found.namelist() if n.startswith("readable/")}


@pytest.mark.parametrize("n", BLENDS)
def test_the_fibre_of_a_blend_is_one_number(n, client, db, archive, tmp_path):
    draft = client.get(f"{API}/blends/{n}").json["draft"]["content"]
    body = {"parts": draft["parts"], "use": draft["use"]}
    judged = client.post(f"{API}/analyse", json=body).json["analysis"]["metrics"]["fibre_pct"]["typical"]
    file = tmp_path / "blend.json"
    file.write_bytes(next(v for k, v in archive.items() if k.startswith(f"readable/blends/{n}-")))
    assert json.loads(file.read_bytes()) == json.loads(client.get(f"{API}/blends/{n}/export").data)
    told = json.loads(run("analyse", file, "--json", "--db", db).stdout)
    assert told["metrics"]["fibre_pct"]["typical"] == pytest.approx(judged, rel=1e-5)


@pytest.mark.parametrize("n", BATCHES)
def test_what_is_in_a_batch_and_left_of_it_is_one_number(n, client, archive):
    page = client.get(f"{API}/batches/{n}").json
    listed = next(b for b in client.get(f"{API}/batches").json["items"] if b["id"] == n)
    file = json.loads(next(v for k, v in archive.items() if k.startswith(f"readable/batches/{n}-")))
    trace = next(b for b in client.get(f"{API}/trace/batches/{n}").json["batches"] if b["id"] == n)
    weighed = sum(w["net_g"] for w in file["weighings"])
    assert page["in_g"] == pytest.approx(weighed) == pytest.approx(trace["in_g"])
    left = sum(b["left_g"] for b in file["bags"])
    assert page["left_g"] == pytest.approx(left) == pytest.approx(trace["left_g"]) == pytest.approx(listed["left_g"])
    events = [json.loads(x) for x in archive["readable/events.jsonl"].splitlines()]
    made = next(e for e in events if e["type"] == "TransformationEvent" and e["ilmd"]["lotNumber"] == page["code"])
    assert made["outputQuantityList"][0]["quantity"] == pytest.approx(weighed / 1000)
    bin_ids = [f for b in client.get(f"{API}/bins").json["items"] for f in b["fillings"] if f["batch_id"] == n]
    for filling in bin_ids:
        assert filling["left_g"] in [b["left_g"] for b in page["bags"]]


@pytest.mark.parametrize("n", BATCHES)
def test_allergens_and_dates_of_a_batch_are_said_alike(n, client, db, archive, tmp_path):
    page = client.get(f"{API}/batches/{n}").json
    label = {x["key"]: x for x in client.get(f"{API}/batches/{n}/label?scheme=eu").json["lines"]}
    told = json.loads(run("label", page["code"], "--json", "--db", db).stdout)
    lines = {x["line"]: x for x in told["lines"]}
    for key in ("ingredients", "allergens", "best before", "net mass"):
        assert (key in lines) == (key in label), key
        assert key not in label or lines[key]["text"] == label[key]["text"], key
    file = tmp_path / "batch.json"
    file.write_bytes(next(v for k, v in archive.items() if k.startswith(f"readable/batches/{n}-")))
    from_file = {x["line"]: x for x in json.loads(run("label", file, "--json").stdout)["lines"]}
    for key in ("ingredients", "allergens"):
        assert (key in from_file) == (key in label), key
        assert key not in label or from_file[key]["text"] == label[key]["text"], key
    nuts = "almond" in page["mix"]["allergens"]
    assert nuts == ("almond" in json.dumps([x["text"] for x in label.values()]))
