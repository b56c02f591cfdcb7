"""Lets `python -m fallow_sieve` stand for the `fallow-sieve` command."""

from fallow_sieve.cli import main

main()
