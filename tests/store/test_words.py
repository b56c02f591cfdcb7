"""The kitchen's own words: said once, said otherwise, taken back."""

from datetime import date

import pytest

from fallow_sieve.store.errors import NotFoundError
from fallow_sieve.store.words import forget_word, kitchen_words, remember_word

TODAY = date(2026, 3, 14)


def test_a_word_is_remembered_once_and_the_last_answer_holds(store):
    with store.writing() as session:
        remember_word(session, "fell  dust", "cocoa-powder", TODAY)
        word = remember_word(session, "fell dust", "corn-starch", TODAY)
    with store.reading() as session:
        assert kitchen_words(session) == [word]
    assert store.words() == (("fell dust", "corn-starch"),)
    with store.writing() as session:
        forget_word(session, word.id)
    assert store.words() == ()
    with store.writing() as session, pytest.raises(NotFoundError):
        forget_word(session, word.id)
