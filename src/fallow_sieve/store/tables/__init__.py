"""The tables, a file a noun. Importing the package knows them all, as migrations need."""

from fallow_sieve.store.tables.batches import BagRow, BatchRow, BatchStepRow, BinRow, LabelPrintRow, WeighingRow
from fallow_sieve.store.tables.blends import BlendDraftRow, BlendRevisionRow, BlendRow
from fallow_sieve.store.tables.briefs import BriefRow
from fallow_sieve.store.tables.columns import DraftColumns, HeadColumns, RevisionColumns
from fallow_sieve.store.tables.experiments import ExperimentRow, ExperimentRunRow
from fallow_sieve.store.tables.formulas import FormulaDraftRow, FormulaRevisionRow, FormulaRow
from fallow_sieve.store.tables.ingredients import (
    BUNDLED,
    LARDER,
    AliasRow,
    BenchTestRow,
    IngredientRow,
    LotRow,
    NumbersRow,
    PanelRow,
)
from fallow_sieve.store.tables.kitchen import KitchenRow
from fallow_sieve.store.tables.schedules import (
    FeedingRow,
    ObservationRow,
    ScheduleDraftRow,
    ScheduleRevisionRow,
    ScheduleRow,
    StarterRow,
    WorkplaceRow,
)
from fallow_sieve.store.tables.standings import StandingRow
from fallow_sieve.store.tables.stock import DrillRow, HoldRow, StockMoveRow
from fallow_sieve.store.tables.tastings import SeatAnswerRow, SeatRow, TastingLogRow, TastingRow
from fallow_sieve.store.tables.trials import PhotoRow, ReadingRow, SheetRow, StepRow, TrialRow
from fallow_sieve.store.tables.words import KitchenWordRow

__all__ = [
    "BUNDLED",
    "LARDER",
    "AliasRow",
    "BagRow",
    "BatchRow",
    "BatchStepRow",
    "BenchTestRow",
    "BinRow",
    "BlendDraftRow",
    "BlendRevisionRow",
    "BlendRow",
    "BriefRow",
    "DraftColumns",
    "DrillRow",
    "ExperimentRow",
    "ExperimentRunRow",
    "FeedingRow",
    "FormulaDraftRow",
    "FormulaRevisionRow",
    "FormulaRow",
    "HeadColumns",
    "HoldRow",
    "IngredientRow",
    "KitchenRow",
    "KitchenWordRow",
    "LabelPrintRow",
    "LotRow",
    "NumbersRow",
    "ObservationRow",
    "PanelRow",
    "PhotoRow",
    "ReadingRow",
    "RevisionColumns",
    "ScheduleDraftRow",
    "ScheduleRevisionRow",
    "ScheduleRow",
    "SeatAnswerRow",
    "SeatRow",
    "SheetRow",
    "StandingRow",
    "StarterRow",
    "StepRow",
    "StockMoveRow",
    "TastingLogRow",
    "TastingRow",
    "TrialRow",
    "WeighingRow",
    "WorkplaceRow",
]
