"""The card of every demo formula fits one page of A4."""

import re

import pytest

SHEETS = re.compile(rb"/Type\s*/Page\b")


@pytest.mark.parametrize("formula_id", range(1, 9))
def test_the_card_of_a_demo_formula_fits_one_page(page, formula_id):
    page.goto(f"/#/card/{formula_id}")
    page.get_by_role("heading", name="What really happened").wait_for()
    assert len(SHEETS.findall(page.pdf(format="A4"))) == 1
