"""The made-up demo kitchen: Tarn Line Provisions, the test kitchen of a mountain railway."""

from fallow_sieve.demo.kitchen import fill

__all__ = ["fill"]
