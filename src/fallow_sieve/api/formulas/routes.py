"""Formulas: documents whose content is lines, settings and a pinned blend."""

from __future__ import annotations

from flask import Blueprint

from fallow_sieve.api.documents import DocumentApi, Models, document_routes
from fallow_sieve.api.formula_content import content_out
from fallow_sieve.api.formulas.models import (
    FormulaDraftIn,
    FormulaDraftOut,
    FormulaList,
    FormulaOut,
    FormulaRevisionOut,
    FormulaSummary,
    NewFormulaIn,
)
from fallow_sieve.core.formulas import Formula
from fallow_sieve.services.formulas.working import check_formula, formula_standing
from fallow_sieve.store import FORMULAS

routes = Blueprint("formulas", __name__)


def formula_of(given: NewFormulaIn | FormulaDraftIn) -> Formula:
    """Return what a request carries as a formula."""
    return given.content.formula


FORMULA_API: DocumentApi[Formula] = DocumentApi(
    path="formulas",
    documents=FORMULAS,
    models=Models(
        NewFormulaIn,
        FormulaDraftIn,
        FormulaDraftOut,
        FormulaRevisionOut,
        FormulaOut,
        FormulaSummary,
        FormulaList,
    ),
    read=formula_of,
    show=content_out,
    check=check_formula,
    standing=formula_standing,
)
document_routes(routes, FORMULA_API)
