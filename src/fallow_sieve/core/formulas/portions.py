"""What a portion is: a slice, a share of a cake, or a piece as it is; a loaf is not one."""

from __future__ import annotations

from dataclasses import dataclass

MAX_NAME = 40
LARGE_PIECE_G = 300.0  # a smaller cake or pie is eaten by one
_FEW = 2  # a piece that gives fewer portions is one


@dataclass(frozen=True, slots=True)
class Portion:
    """A portion by name: so many g of the finished bake, or one of so many equal shares of a piece; else a piece."""

    name: str
    mass_g: float | None = None
    shares: int | None = None


@dataclass(frozen=True, slots=True)
class Served:
    """A portion of a finished bake: its name, its g, how many the batch gives, and whether the use alone says so."""

    name: str
    mass_g: float
    in_batch: float
    usual: bool


PIECE = Portion("piece")


def served(portion: Portion | None, usual: Portion | None, piece_g: float, pieces: int) -> Served:
    """Return what `portion` is of pieces of `piece_g` g, finished; without one what is `usual` for the use.

    A piece that is small is a portion itself, whatever is usual.
    """
    chosen = portion or _fitting(usual, piece_g)
    mass_g = min(piece_g, _mass(chosen, piece_g)) if portion is None else _mass(chosen, piece_g)
    return Served(chosen.name, mass_g, pieces * piece_g / mass_g, portion is None)


def _fitting(usual: Portion | None, piece_g: float) -> Portion:
    if usual is None or (usual.mass_g is not None and piece_g < _FEW * usual.mass_g):
        return PIECE
    if usual.shares is not None and piece_g < LARGE_PIECE_G:
        return PIECE
    return usual


def _mass(portion: Portion, piece_g: float) -> float:
    return portion.mass_g if portion.mass_g is not None else piece_g / (portion.shares or 1)
