"""What `read` and `convert` write."""

from fallow_sieve.formats.recipes.answers import ConvertAnswer, convert_answer
from fallow_sieve.formats.recipes.jsonld import read_jsonld, write_jsonld
from fallow_sieve.formats.recipes.read_answer import CupsOut, ReadAnswer, read_answer

__all__ = ["ConvertAnswer", "CupsOut", "ReadAnswer", "convert_answer", "read_answer", "read_jsonld", "write_jsonld"]
