"""What an experiment says, told: the plan, the map in short, least squares beside it."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from fallow_sieve.core.experiments.best import Best, point_of
from fallow_sieve.core.experiments.candidates import candidates
from fallow_sieve.core.experiments.designs import Asked, Run, design
from fallow_sieve.core.experiments.fitting import Fit, Source
from fallow_sieve.core.experiments.maps import Noted, map_of
from fallow_sieve.core.experiments.regions import Array, corners
from fallow_sieve.core.experiments.study import Reading, Study, WhereSay, checks_of, fits_of, names_of, read, study_of
from fallow_sieve.core.experiments.terms import pseudo
from fallow_sieve.formats.experiments import (
    ExperimentAnswer,
    ExperimentFile,
    FitTold,
    GainTold,
    LackTold,
    MapTold,
    NextTold,
    PointTold,
    RunTold,
    SourceTold,
    StopTold,
    baked_of,
    region_of,
    shares_of,
)
from fallow_sieve.formats.shared import rounded

NEXT = 3


def experiment_answer(file: ExperimentFile) -> ExperimentAnswer:
    """Return what an experiment file says. Raises BadInputError with its place."""
    region = region_of(file)
    names = list(region.names)
    today = shares_of(file.today, names, "/today") if file.today else None
    study = study_of(region, baked_of(file), today, unit=file.unit, worth=file.worth)
    runs = planned(study, file.bakes, file.days, file.seed, i_optimal=file.i_optimal)
    return ExperimentAnswer(
        corners=[shares(study, c) for c in corners(region)],
        runs=[run_told(study, r) for r in runs],
        map=map_told(study) if study.map is not None else None,
        least_squares={str(m): fit_told(f, names_of(study, m)) for m, f in fits_of(study).items()},
        checks=checks_of(study),
        mean_se_planned=_r(planned_se(study, runs)),
    )


def planned(study: Study, bakes: int, days: int, seed: int, *, i_optimal: bool = False) -> tuple[Run, ...]:
    """Return the bakes of a plan. Raises BadInputError where so many on so many days cannot be."""
    points = np.vstack([candidates(study.region), np.array(study.today)])
    coded = pseudo(study.region, points)
    over = pseudo(study.region, study.drawn_over) if i_optimal else None
    return design(points, coded, Asked(bakes, days, seed, np.array(study.today), i_optimal), over)


def planned_se(study: Study, runs: Sequence[Run]) -> float:
    """Return the mean standard error of the map (response unit) that these bakes will have, before any is baked."""
    x = np.array([r.x for r in runs])
    nothing = np.zeros(len(x))
    noted = Noted(study.basis.at(x), nothing, np.array([r.day for r in runs], float), nothing, nothing)
    return float(map_of(study.basis, noted, study.unit, study.kitchen).at(study.drawn_over)[1].mean())


def shares(study: Study, x: Array | Sequence[float]) -> dict[str, float]:
    """Return a point as shares (0–1) by part."""
    return {n: _r(float(v)) for n, v in zip(study.region.names, x, strict=True)}


def run_told(study: Study, run: Run) -> RunTold:
    """Return a bake of a plan as it is told."""
    return RunTold(order=run.order, day=run.day, x=shares(study, run.x), replicate_of=run.replicate_of)


def point_told(study: Study, best: Best) -> PointTold:
    """Return a point of the map as it is told (response unit)."""
    return PointTold(x=shares(study, best.x), mean=_r(best.mean), low=_r(best.low), high=_r(best.high))


def map_told(study: Study, where: WhereSay | None = None) -> MapTold:
    """Return the map in short; `where` words a point. Raises BadInputError where there is no map yet."""
    found = read(study, where or WhereSay(study.region.names), NEXT)
    known = study.map
    assert known is not None
    upcoming = [NextTold(x=shares(study, x), gain=_r(g)) for x, g in found.next]
    return MapTold(
        best=point_told(study, found.best),
        today=point_told(study, point_of(known, np.array(study.today))),
        gain=_gain(found),
        next=upcoming[0],
        more=upcoming[1:],
        stop=StopTold(loss=_r(found.stop.loss), advice=str(found.stop.advice), say=found.stop.say, ask=found.stop.ask),
        lucky=found.lucky,
        noise=_r(known.noise),
        mean_se=_r(found.mean_se),
        fitted=len(study.fitted),
    )


def _gain(found: Reading) -> GainTold:
    g = found.gain
    return GainTold(more=_r(g.more), low=_r(g.low), high=_r(g.high), sure=_r(g.sure), say=g.say)


def fit_told(f: Fit, names: Sequence[str]) -> FitTold:
    """Return a fit by one polynomial as it is told."""
    lack = f.lack_of_fit
    return FitTold(
        coefficients={n: _r(float(v)) for n, v in zip(names, f.coefficients, strict=True)},
        se={n: _r(float(v)) for n, v in zip(names, f.se, strict=True)},
        anova={"regression": _source(f.regression), "residual": _source(f.residual), "total": _source(f.total)},
        f=rounded(f.f) if math.isfinite(f.f) else None,
        p=_r(f.p),
        lack_of_fit=LackTold(ss=_r(lack.lack.ss), df=lack.lack.df, pure_ss=_r(lack.pure.ss), pure_df=lack.pure.df,
                             f=rounded(lack.f), p=rounded(lack.p)),
        r2=_r(f.r2), adjusted_r2=rounded(f.adjusted_r2) if math.isfinite(f.adjusted_r2) else None,
        predicted_r2=_r(f.predicted_r2), press=_r(f.press), rmse=_r(f.rmse),
        fitted=_list(f.fitted), residuals=_list(f.residuals), leverage=_list(f.leverage),
        studentized=_list(f.studentized),
    )  # fmt: skip


def _source(s: Source) -> SourceTold:
    return SourceTold(ss=_r(s.ss), df=s.df, ms=_r(s.ms))


def _list(values: Array) -> list[float]:
    return [_r(float(v)) for v in values]


def _r(value: float) -> float:
    return rounded(value) or 0.0
