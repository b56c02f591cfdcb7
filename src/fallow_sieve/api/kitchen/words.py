"""The kitchen's own words over HTTP: what was answered once is not asked again."""

from __future__ import annotations

from flask import Blueprint, Response

from fallow_sieve.api.http import answer, body, store, today
from fallow_sieve.api.kitchen.models import RememberedOut, WordIn, WordOut, WordsOut
from fallow_sieve.api.spec import route
from fallow_sieve.core.ingredients import Shelf
from fallow_sieve.services.recipes import asked_each_time
from fallow_sieve.store import KitchenWord, forget_word, kitchen_words, remember_word

routes = Blueprint("words", __name__)


@routes.get("/kitchen/words")
@route(WordsOut)
def words() -> Response:
    """Return the kitchen's own words."""
    with store().reading() as session:
        shelf = store().shelf(session, today())
        return answer(WordsOut(items=[_out(w, shelf) for w in kitchen_words(session)]))


@routes.post("/kitchen/words")
@route(RememberedOut, json=WordIn)
def remember() -> Response:
    """Remember what a name that nobody knew stands for; bare flour is asked each time."""
    given = body(WordIn)
    with store().writing() as session:
        shelf = store().shelf(session, today())
        shelf.row(given.ingredient, "/ingredient")
        why = asked_each_time(given.phrase, shelf[given.ingredient])
        if why:
            return answer(RememberedOut(word=None, say=why))
        word = _out(remember_word(session, given.phrase, given.ingredient, today()), shelf)
    say = f"“{word.word.phrase}” is {word.name.lower()} from now on. The settings take it back."
    return answer(RememberedOut(word=word, say=say))


@routes.delete("/kitchen/words/<int:word_id>")
@route(None, status=204)
def forget(word_id: int) -> Response:
    """Take a word back: it is asked again."""
    with store().writing() as session:
        forget_word(session, word_id)
    return Response(status=204)


def _out(word: KitchenWord, shelf: Shelf) -> WordOut:
    known = word.ingredient in shelf.row_of
    return WordOut(word=word, name=shelf[word.ingredient].name if known else word.ingredient)
