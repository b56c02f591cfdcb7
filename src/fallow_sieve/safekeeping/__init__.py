"""A kitchen's file kept safe: checked, copied while it is in use, and put back. Needs nothing but SQLite."""

from fallow_sieve.safekeeping.backing_up import backup, copy_whole
from fallow_sieve.safekeeping.checking import damage_of
from fallow_sieve.safekeeping.files import flush, how_to_read, opened, plain_errors, remove
from fallow_sieve.safekeeping.restoring import Restored, restore

__all__ = [
    "Restored",
    "backup",
    "copy_whole",
    "damage_of",
    "flush",
    "how_to_read",
    "opened",
    "plain_errors",
    "remove",
    "restore",
]
