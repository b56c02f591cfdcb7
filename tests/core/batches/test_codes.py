"""The code of a batch: what it is made of, and that no slip of a hand goes unseen."""

from __future__ import annotations

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.batches.codes import ALPHABET, LOOK_ALIKES, batch_code, read_code
from fallow_sieve.core.values import BadInputError

DAYS = st.dates(date(2020, 1, 1), date(2099, 12, 31))
OWN = st.text(ALPHABET[10:], max_size=3)


@given(DAYS, st.integers(1, 999), OWN)
def test_every_slip_and_swap_of_a_code_shows(made_on, number, own):
    code = batch_code(made_on, number, own)
    plain = code.replace("-", "")
    assert read_code(code).valid
    assert read_code(code).code == code
    for n, character in enumerate(plain):
        for other in ALPHABET:
            if other != character:
                assert not read_code(plain[:n] + other + plain[n + 1 :]).valid
    for n in range(len(plain) - 1):
        swapped = plain[:n] + plain[n + 1] + plain[n] + plain[n + 2 :]
        assert read_code(swapped).valid == (swapped == plain)


@given(DAYS, st.integers(1, 99))
def test_look_alikes_case_and_hyphens_do_not_count(made_on, number):
    code = batch_code(made_on, number)
    back = {"1": "l", "0": "o", "5": "s", "V": "u"}
    assert read_code("".join(back.get(c, c) for c in code.replace("-", " ").lower())).code == code
    assert set(LOOK_ALIKES) & {ord(c) for c in ALPHABET} == set()


@pytest.mark.parametrize("own", ["TARN", "S", "12"])
def test_what_cannot_stand_in_front_is_refused_by_name(own):
    with pytest.raises(BadInputError, match="/letters"):
        batch_code(date(2026, 1, 1), 1, own)


@pytest.mark.parametrize("typed", ["２６３３２-２-Ｑ", "2633２-2-q", "26332.2.Q", " 26332 2 q\n"])
def test_a_keyboard_elsewhere_types_wide_digits_and_is_understood(typed):
    found = read_code(typed)
    assert (found.code, found.valid) == ("26332-2-Q", True)


@pytest.mark.parametrize("typed", ["٢٦٣٣٢-2-Q", "²6332-2-Q", "no.26332-2-Q", "", "-", "Q" * 400])
def test_what_is_no_code_is_none_and_never_a_fault(typed):
    assert isinstance(read_code(typed).valid, bool)
