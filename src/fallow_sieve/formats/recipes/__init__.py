"""What `convert` writes."""

from fallow_sieve.formats.recipes.answers import ConvertAnswer, convert_answer
from fallow_sieve.formats.recipes.jsonld import read_jsonld, write_jsonld

__all__ = ["ConvertAnswer", "convert_answer", "read_jsonld", "write_jsonld"]
