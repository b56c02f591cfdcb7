"""The tables, a file a noun. Importing the package knows them all, as migrations need."""

from fallow_sieve.store.tables.blends import BlendDraftRow, BlendRevisionRow, BlendRow
from fallow_sieve.store.tables.briefs import BriefRow
from fallow_sieve.store.tables.columns import DraftColumns, HeadColumns, RevisionColumns
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
from fallow_sieve.store.tables.pours import BakeRow
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
from fallow_sieve.store.tables.words import KitchenWordRow

__all__ = [
    "BUNDLED",
    "LARDER",
    "AliasRow",
    "BakeRow",
    "BenchTestRow",
    "BlendDraftRow",
    "BlendRevisionRow",
    "BlendRow",
    "BriefRow",
    "DraftColumns",
    "FeedingRow",
    "FormulaDraftRow",
    "FormulaRevisionRow",
    "FormulaRow",
    "HeadColumns",
    "IngredientRow",
    "KitchenRow",
    "KitchenWordRow",
    "LotRow",
    "NumbersRow",
    "ObservationRow",
    "PanelRow",
    "RevisionColumns",
    "ScheduleDraftRow",
    "ScheduleRevisionRow",
    "ScheduleRow",
    "StandingRow",
    "StarterRow",
    "WorkplaceRow",
]
