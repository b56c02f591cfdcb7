"""The built pages are sent packed to whoever takes them so, and are the same when they are unpacked."""

import gzip

import pytest


@pytest.fixture
def script(app, tmp_path):
    folder = app.extensions["web_dist"] = tmp_path
    (folder / "assets").mkdir()
    text = "const sieve = 'fallow';\n" * 400
    (folder / "assets" / "page-abc.js").write_text(text, encoding="utf-8")
    (folder / "assets" / "letter.woff2").write_bytes(b"\x00" * 400)
    return text.encode()


def test_a_script_is_packed_where_it_is_asked_for_and_the_same_inside(app, script):
    client = app.test_client()
    plain = client.get("/assets/page-abc.js")
    packed = client.get("/assets/page-abc.js", headers={"Accept-Encoding": "gzip, br"})
    assert plain.data == gzip.decompress(packed.data) == script
    assert packed.headers["Content-Encoding"] == "gzip"
    assert int(packed.headers["Content-Length"]) == len(packed.data) < len(script) / 4
    assert "Content-Encoding" not in plain.headers
    assert "Accept-Encoding" in plain.headers["Vary"]


def test_a_font_a_missing_file_and_a_part_of_one_are_sent_as_they_are(app, script):
    client = app.test_client()
    asks = {"Accept-Encoding": "gzip"}
    assert "Content-Encoding" not in client.get("/assets/letter.woff2", headers=asks).headers
    assert client.get("/assets/gone.js", headers=asks).status_code == 404
    assert client.get("/assets/../index.html", headers=asks).status_code == 404
    part = client.get("/assets/page-abc.js", headers={**asks, "Range": "bytes=0-9"})
    assert (part.status_code, part.data) == (206, script[:10])
