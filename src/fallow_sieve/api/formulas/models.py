"""What requests and answers about formulas as documents carry."""

from __future__ import annotations

from pydantic import RootModel

from fallow_sieve.api.formula_content import FormulaContentIn, FormulaContentOut
from fallow_sieve.api.models import (
    DocumentOut,
    DraftIn,
    DraftOut,
    In,
    ListOut,
    NewDocumentIn,
    Out,
    RevisionOut,
    SummaryOut,
)
from fallow_sieve.core.formulas import Card
from fallow_sieve.services.formulas.working import FormulaStanding


class NewFormulaIn(NewDocumentIn):
    """A formula to add."""

    content: FormulaContentIn


class FormulaDraftIn(DraftIn):
    """A formula's draft to save."""

    content: FormulaContentIn


class FormulaDraftOut(DraftOut):
    """A formula on the bench."""

    content: FormulaContentOut


class FormulaRevisionOut(RevisionOut):
    """A kept revision of a formula."""

    content: FormulaContentOut


class FormulaOut(DocumentOut):
    """A formula with its draft and revisions."""

    draft: FormulaDraftOut
    revisions: list[FormulaRevisionOut]


class FormulaSummary(SummaryOut):
    """A formula in a list, and how it stands."""

    standing: FormulaStanding


class FormulaList(ListOut):
    """A page of formulas."""

    items: list[FormulaSummary]


class FormulaExportQuery(In):
    """Which file: json, jsonld or markdown, of the draft or of a revision."""

    format: str = "json"
    revision: str = ""


class FormulaImportOut(Out):
    """An imported formula, and what there is to say about it."""

    formula: FormulaOut
    notes: list[str]


class CardOut(RootModel[Card]):
    """The card of a formula."""
