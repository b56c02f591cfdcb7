"""What lies in a bag of a mix: the doses that its kind asks for, and a formula's complete mix."""

from fallow_sieve.core.formulas.bags.doses import BagAsked, doses_for
from fallow_sieve.core.formulas.bags.whole_bag import PowderRule, Stays, WholeBag, into_bag, out_of_bag

__all__ = ["BagAsked", "PowderRule", "Stays", "WholeBag", "doses_for", "into_bag", "out_of_bag"]
