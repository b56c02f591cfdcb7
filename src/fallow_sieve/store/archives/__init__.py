"""The whole kitchen in one ZIP: every table as CSV, pictures once each, and a digest that a restored kitchen meets."""

from fallow_sieve.store.archives.restoring import is_archive, unpack
from fallow_sieve.store.archives.tables import digest_of
from fallow_sieve.store.archives.writing import write_archive

__all__ = ["digest_of", "is_archive", "unpack", "write_archive"]
