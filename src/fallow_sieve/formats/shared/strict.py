"""What every file that is read strictly shares: no unknown key, slugs, nothing twice."""

from __future__ import annotations

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from fallow_sieve.core.values import BadInputError

SLUG_PATTERN = r"^[a-z0-9]+(-[a-z0-9]+)*$"
Slug = Annotated[str, Field(pattern=SLUG_PATTERN, max_length=80)]
MASS_LIMIT_G = 1e9


class Strict(BaseModel):
    """A part of a file that is read strictly: no unknown key, no coercion, no NaN or infinity."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)


def no_twice(slugs: list[str], place: str, key: str) -> None:
    """Raise BadInputError, naming the second place, where a slug stands twice in a list of objects."""
    for n, slug in enumerate(slugs):
        first = slugs.index(slug)
        if first != n:
            raise BadInputError(
                f"{slug!r} stands twice, first at {place}/{first}", place=f"{place}/{n}/{key}", right="keep one"
            )
