"""More flours than a search can go through: which it looks at, and how much better any of the others could be."""

from fallow_sieve.core.optimise.thousands.bounding import better_by
from fallow_sieve.core.optimise.thousands.choosing import MOST_CANDIDATES, most_promising

__all__ = ["MOST_CANDIDATES", "better_by", "most_promising"]
