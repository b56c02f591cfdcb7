"""Photos come out upright, no larger than needed, and without anything that a camera wrote."""

from io import BytesIO

import pytest
from PIL import Image

from fallow_sieve.formats.trials.pictures import picture_from

API = "/api/v1"
GPS, ORIENTATION, MAKER = 0x8825, 0x0112, 0x010F


def photo(kind="JPEG", size=(1800, 900), orientation=1):
    image = Image.new("RGB", size, (150, 104, 62))
    exif = Image.Exif()
    exif[ORIENTATION], exif[MAKER] = orientation, "Secret Camera Works"
    exif.get_ifd(GPS).update({1: "N", 2: (59.0, 54.0, 47.0), 3: "E", 4: (10.0, 44.0, 20.0)})
    out = BytesIO()
    image.save(out, kind, exif=exif)
    return out.getvalue()


def send(client, data, kind="image/jpeg", trial=9, status=201, query=""):
    answer = client.post(f"{API}/trials/{trial}/photos{query}", data=data, headers={"content-type": kind})
    assert answer.status_code == status, answer.json
    return answer.json


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "WEBP"])
def test_nothing_that_a_camera_wrote_is_kept(client, kind):
    data = photo(kind)
    assert b"Secret Camera" in data
    (made,) = send(client, data, f"image/{kind.lower()}")["items"]
    for path in (f"{API}/photos/{made['id']}", f"{API}/photos/{made['id']}/thumbnail"):
        kept = client.get(path).data
        assert b"Secret Camera" not in kept
        assert b"Exif" not in kept
        assert b"GPS" not in kept
        with Image.open(BytesIO(kept)) as image:
            assert dict(image.getexif()) == {}
            assert image.info.keys() <= {"jfif", "jfif_version", "jfif_unit", "jfif_density"}


def test_it_stands_upright_and_no_side_is_longer_than_needed(client):
    (made,) = send(client, photo(orientation=6), query="?moment=oven")["items"]
    assert (made["width"], made["height"], made["moment"]) == (640, 1280, "oven")
    with Image.open(BytesIO(client.get(f"{API}/photos/{made['id']}/thumbnail").data)) as thumb:
        assert thumb.size == (160, 320)


def test_a_trial_has_six_at_most_and_one_is_taken_away(client):
    for _ in range(6):
        items = send(client, photo(size=(40, 30)))["items"]
    assert len(items) == 6
    assert "six photos" in send(client, photo(size=(40, 30)), status=422)["detail"]
    left = client.delete(f"{API}/trials/9/photos/{items[0]['id']}").json["items"]
    assert len(left) == 5
    assert client.get(f"{API}/photos/{items[0]['id']}").status_code == 404


@pytest.mark.parametrize("data", [b"", b"GIF89a", b"\x89PNG\r\n\x1a\n" + b"\0" * 40, photo()[:200]])
def test_what_is_no_photo_is_refused(client, data):
    assert send(client, data, status=422)["right"]


def test_a_photo_of_too_many_pixels_is_refused_before_it_is_unpacked():
    out = BytesIO()
    Image.new("1", (9000, 9000)).save(out, "PNG")
    with pytest.raises(ValueError, match="megapixels"):
        picture_from(out.getvalue())


def test_only_pictures_are_taken_in(client):
    assert send(client, b"x", "text/plain", status=422)["right"].startswith("send image/jpeg")
    assert send(client, photo(size=(40, 30)), status=422, query="?moment=supper")["place"] == "?moment"
    assert send(client, photo(size=(40, 30)), trial=999, status=404)
