"""A batch that is being weighed, with the lots it draws on."""

from __future__ import annotations

import pytest
from tests.api.batches.making import bring, planned, stocked


@pytest.fixture
def weighing(client):
    page = planned(client)
    lots = stocked(client, page)
    begun = bring(client, page, "weighing")
    assert begun.status_code == 200, begun.json
    return begun.json, lots
