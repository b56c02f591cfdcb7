"""`tasting`: what the answers of a table say."""

from __future__ import annotations

from fallow_sieve.cli.common import read_file, say
from fallow_sieve.core.tastings.answers import Method
from fallow_sieve.core.values import BadInputError, shown
from fallow_sieve.formats.tastings import PairTold, TastingAnswer, read_answers
from fallow_sieve.services.tastings.telling import Asking, told

_LEAST_P = 0.001


def tasting(path: str, method: str, asking: Asking, json: bool) -> None:
    """Print what the answers of a table say."""
    if method not in set(Method):
        raise BadInputError(f"the method {shown(method)}", place="--method", right=f"one of {', '.join(Method)}")
    answers = read_answers(read_file(path, "a table of answers"), Method(method))
    answer = told(answers, Method(method), asking)
    say(answer, _words(answer), json=json)


def _words(a: TastingAnswer) -> str:
    rows = [a.verdict, a.foot, *([_next(a)] if a.tasters_next else [])]
    unit = {"ranking": "mean place", "paired": "chosen"}.get(a.method, "of 9")
    for s in a.samples:
        within = f" ({s.low:.1f} to {s.high:.1f})" if s.low is not None and s.high is not None else ""
        rows.append(f"  {s.sample}: {s.mean:.2g}{within} {unit}, {s.n} tasted")
    rows += [_pair(p) for p in a.pairs]
    if a.noticed is not None:
        share, d = a.noticed.discriminators, a.noticed.d_prime
        rows.append(f"  Would notice: {100 * share[0]:.0f} % ({100 * share[1]:.0f} to {100 * share[2]:.0f})")
        rows.append(f"  d′ {d[0]:.2f} ({d[1]:.2f} to {d[2]:.2f})")
    rows += [f"  {w.word}: {_counts(w.counts)}; p {_p(w.corrected_p)}, corrected" for w in a.words]
    if a.global_ is not None:
        rows.append(f"  {a.global_.test}: p {_p(a.global_.p)}")
    rows += [f"  {t.test}: p {_p(t.p)}, approximate" for t in a.beside]
    return "\n".join([*rows, *a.cautions])


def _counts(counts: dict[str, int]) -> str:
    return ", ".join(f"{s} {n}" for s, n in counts.items())


def _next(a: TastingAnswer) -> str:
    between = f" ({a.tasters_between[0]} to {a.tasters_between[1]})" if a.tasters_between else ""
    return f"Next time: about {a.tasters_next} tasters{between}."


def _pair(p: PairTold) -> str:
    within = f" ({p.low:.1f} to {p.high:.1f})" if p.low is not None and p.high is not None else ""
    firsts = f"; first at {p.before} of {p.n}" if p.before is not None else ""
    chance = f", p {_p(p.p)}" if p.p is not None else ""
    return f"  {p.a} − {p.b}: {p.difference:+.1f}{within}{firsts}{chance}"


def _p(p: float) -> str:
    return f"under {_LEAST_P}" if p < _LEAST_P else f"{p:.3f}"
