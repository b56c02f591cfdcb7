"""A kitchen's file kept safe: checked, copied while it is in use, and put back. Needs nothing but SQLite."""

from fallow_sieve.safekeeping.backing_up import backup, copy_whole
from fallow_sieve.safekeeping.checking import damage_of
from fallow_sieve.safekeeping.files import how_to_read
from fallow_sieve.safekeeping.restoring import restore

__all__ = ["backup", "copy_whole", "damage_of", "how_to_read", "restore"]
