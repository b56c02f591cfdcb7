"""An experiment as it stands in the kitchen of today: its mixture, region, bakes, and the study they make."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from sqlmodel import Session

from fallow_sieve.core.blends import Blend, Use
from fallow_sieve.core.experiments.maps import Kitchen
from fallow_sieve.core.experiments.regions import Region, Row, check_region, corners
from fallow_sieve.core.experiments.study import Baked, Study
from fallow_sieve.core.experiments.varied import Mixture, check_moves, mixture_of
from fallow_sieve.core.experiments.walls import metric_rows, price_row
from fallow_sieve.core.values import BadInputError
from fallow_sieve.services.experiments.asked import ExperimentAsked, Response, asked_of, response_named
from fallow_sieve.services.experiments.responses import Outcome, outcomes
from fallow_sieve.services.kitchen import KitchenNow, use_within
from fallow_sieve.store.experiments import ExperimentOnRecord, RunOnRecord, get_experiment, runs_of


@dataclass(frozen=True, slots=True)
class ExperimentNow:
    """An experiment with all that is known of it; `study` None, and `trouble` said, where its limits clash."""

    record: ExperimentOnRecord
    asked: ExperimentAsked
    response: Response
    mixture: Mixture
    use: Use | None
    rows: tuple[Row, ...]
    runs: tuple[RunOnRecord, ...]
    outcomes: Mapping[int, Outcome]
    study: Study | None
    trouble: str


def experiment_now(session: Session, experiment_id: int, kitchen: KitchenNow) -> ExperimentNow:
    """Return an experiment as it stands now. Raises NotFoundError; a clash of limits is told, not raised."""
    record = get_experiment(session, experiment_id)
    asked = asked_of(record.asked)
    runs = tuple(runs_of(session, [experiment_id])[experiment_id])
    blend = Blend(record.formula.blend, use=record.formula.use)
    use = use_within(blend.use, kitchen.limits)
    response = response_named(asked.response)
    found = outcomes(session, runs, asked.response, kitchen)
    mixture = mixture_of(blend, asked.parts, kitchen.shelf)
    rows = _rows(mixture, use, asked, kitchen)
    study, trouble = None, ""
    try:
        study = _study(mixture, rows, asked, response, runs, found)
    except BadInputError as error:
        trouble = str(error)
    return ExperimentNow(record, asked, response, mixture, use, rows, runs, found, study, trouble)


def _rows(mixture: Mixture, use: Use | None, asked: ExperimentAsked, kitchen: KitchenNow) -> tuple[Row, ...]:
    rows = metric_rows(mixture, use, kitchen.shelf, asked.walls, kitchen.cup)
    if asked.max_price is not None:
        price = price_row(mixture, kitchen.shelf, asked.max_price)
        if price is None:
            raise BadInputError(
                "a price cap with a price that is not known", place="/max_price", right="price every part"
            )
        rows.append(price)
    return tuple(rows)


def _value(run: RunOnRecord, found: Mapping[int, Outcome]) -> float | None:
    """What is fitted of a bake: nothing of one that failed."""
    told = found.get(run.number)
    return None if run.failed or told is None else told.value


def region_of(mixture: Mixture, rows: tuple[Row, ...]) -> Region:
    """Return the region of a mixture under rows. Raises BadInputError where it is empty."""
    low, high = mixture.limits()
    region = Region(mixture.names, low, high, rows)
    check_region(region)
    return region


def _study(
    mixture: Mixture, rows: tuple[Row, ...], asked: ExperimentAsked, response: Response,
    runs: tuple[RunOnRecord, ...], found: Mapping[int, Outcome],
) -> Study:  # fmt: skip
    region = region_of(mixture, rows)
    check_moves(mixture, corners(region), asked.step_g, asked.flour_g)
    baked = tuple(
        Baked(r.x, _value(r, found), r.day, found[r.number].se if r.number in found else 0.0, number=r.number)
        for r in runs
    )
    return Study(region, baked, mixture.today(), response.matters, asked.worth, Kitchen(), response.says)
