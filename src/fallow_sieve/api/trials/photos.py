"""Photos of trials: taken in without what a camera wrote, shown small and large, taken away."""

from __future__ import annotations

from uuid import uuid4

from flask import Blueprint, Response, request

from fallow_sieve.api.http import answer, now_text, store
from fallow_sieve.api.spec import route
from fallow_sieve.api.trials.family_models import PhotoQuery, PhotosOut
from fallow_sieve.core.trials.quantities import Moment
from fallow_sieve.core.values import BadInputError, UnknownNameError, shown
from fallow_sieve.formats.trials import picture_from
from fallow_sieve.store.trials import PhotoOnRecord, add_photo, get_trial, photos_of, picture_of, remove_photo

routes = Blueprint("photos", __name__)
_TYPES = ("image/jpeg", "image/png", "image/webp")


@routes.get("/trials/<int:trial_id>/photos")
@route(PhotosOut)
def listed(trial_id: int) -> Response:
    """Return the photos of a trial."""
    return _photos(trial_id)


@routes.post("/trials/<int:trial_id>/photos")
@route(PhotosOut, status=201, query=PhotoQuery)
def add(trial_id: int) -> Response:
    """Take a photo in, of a moment and an arm; its body is the picture as it is."""
    if request.mimetype not in _TYPES:
        raise BadInputError(f"a body of type {shown(request.mimetype)}", right=f"send {', '.join(_TYPES)}")
    moment = request.args.get("moment", "cut")
    if moment not in set(Moment):
        raise UnknownNameError("moment", moment, [str(m) for m in Moment], place="?moment")
    with store().reading() as session:
        get_trial(session, trial_id)
    made = picture_from(request.get_data())
    arm = request.args.get("arm", "")[:80]
    photo = PhotoOnRecord(str(uuid4()), trial_id, moment, arm, made.width, made.height, now_text())
    with store().writing() as session:
        add_photo(session, photo, made.picture, made.thumbnail)
    return _photos(trial_id, 201)


@routes.delete("/trials/<int:trial_id>/photos/<photo_id>")
@route(PhotosOut)
def remove(trial_id: int, photo_id: str) -> Response:
    """Take a photo away."""
    with store().writing() as session:
        remove_photo(session, trial_id, photo_id)
    return _photos(trial_id)


@routes.get("/photos/<photo_id>")
@route(None)
def large(photo_id: str) -> Response:
    """Return a photo."""
    return _picture(photo_id, small=False)


@routes.get("/photos/<photo_id>/thumbnail")
@route(None)
def small(photo_id: str) -> Response:
    """Return the thumbnail of a photo."""
    return _picture(photo_id, small=True)


def _picture(photo_id: str, *, small: bool) -> Response:
    with store().reading() as session:
        data = picture_of(session, photo_id, small)
    response = Response(data, mimetype="image/jpeg")
    response.headers["Cache-Control"] = "private, max-age=31536000, immutable"
    return response


def _photos(trial_id: int, status: int = 200) -> Response:
    with store().reading() as session:
        get_trial(session, trial_id)
        return answer(PhotosOut(items=photos_of(session, trial_id)), status)
