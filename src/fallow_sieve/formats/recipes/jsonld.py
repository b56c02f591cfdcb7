"""schema.org `Recipe` as JSON-LD, out and in.

Out, the lines stand as any reader of recipes expects them, and the whole formula file lies inside as what the recipe
is based on, so that nothing is lost on the way back. In, that is taken where it is there; else the lines are read as
a pasted recipe is, guesses and all.
"""

from __future__ import annotations

import json
from typing import Any

from fallow_sieve.core.formulas import Card, Finished, FormulaAnalysis
from fallow_sieve.core.values import BadInputError, grams
from fallow_sieve.formats.formulas import FormulaDocument, read_formula
from fallow_sieve.formats.shared import parse_json

CONTEXT = "https://schema.org"
_NUTRITION = {
    "calories": ("energy_kcal", "kcal"),
    "fatContent": ("fat_g", "g"),
    "saturatedFatContent": ("saturated_fat_g", "g"),
    "carbohydrateContent": ("carbohydrate_g", "g"),
    "sugarContent": ("sugars_g", "g"),
    "fiberContent": ("fibre_g", "g"),
    "proteinContent": ("protein_g", "g"),
    "sodiumContent": ("sodium_mg", "mg"),
}


def write_jsonld(
    name: str, analysis: FormulaAnalysis, card: Card, finished: Finished, blend_name: str, file: dict[str, Any]
) -> str:
    """Return a formula as a schema.org Recipe, JSON-LD text; `file` is its formula file as plain values."""
    lines = [f"{grams(x.mass_g)} {blend_name if x.ingredient == '@blend' else x.name}" for x in analysis.lines]
    document = {
        "@context": CONTEXT,
        "@type": "Recipe",
        "name": name,
        "recipeYield": f"{finished.pieces} of {finished.piece_g:.0f} g",
        "recipeIngredient": lines,
        "recipeInstructions": [{"@type": "HowToStep", "text": s} for s in card.steps],
        "nutrition": _nutrition(finished),
        "disclaimer": " ".join(card.cautions),
        "isBasedOn": {
            "@type": "CreativeWork",
            "encodingFormat": "application/json",
            "text": json.dumps(file, ensure_ascii=False),
        },
    }
    return json.dumps({k: v for k, v in document.items() if v}, ensure_ascii=False, indent=2) + "\n"


def _nutrition(finished: Finished) -> dict[str, str]:
    """What is wholly known, for a piece: a lower bound has no place in this vocabulary."""
    found = {"@type": "NutritionInformation", "servingSize": f"{finished.portion.mass_g:.0f} g"}
    for key, (nutrient, unit) in _NUTRITION.items():
        e = finished.per_portion[nutrient]
        if e.is_known and e.typical is not None:
            found[key] = f"{e.typical:.1f} {unit}" if e.typical < 100 else f"{e.typical:.0f} {unit}"
    return found


def read_jsonld(data: bytes) -> FormulaDocument | str:
    """Return the formula inside a schema.org Recipe, or else its lines as the text of a recipe to be read.

    Raises BadInputError where there is no Recipe with ingredients in it.
    """
    recipe = _recipe_in(parse_json(data))
    based = recipe.get("isBasedOn")
    text = based.get("text") if isinstance(based, dict) else None
    if isinstance(text, str) and "fallow-sieve/formula" in text:
        return read_formula(text.encode())
    lines = recipe.get("recipeIngredient", recipe.get("ingredients"))
    if not isinstance(lines, list) or not any(isinstance(x, str | dict) for x in lines):
        raise BadInputError(
            "the recipe has no list of ingredients", place="/recipeIngredient", right="it must be a list of texts"
        )
    lines = [_ingredient(x) for x in lines]
    name = recipe.get("name")
    steps = [s for s in _steps(recipe.get("recipeInstructions")) if s]
    head = [name if isinstance(name, str) and name.strip() else "Recipe", *_yield(recipe.get("recipeYield"))]
    return "\n".join([*head, "", "Ingredients", *lines, *(["", "Method", *steps] if steps else [])])


def _ingredient(item: Any) -> str:
    """One ingredient as a line: a text, an object by what it says, anything else as it stands, so that none is lost."""
    if isinstance(item, str):
        return " ".join(item.split())
    if isinstance(item, dict):
        said = [item.get(k) for k in ("amount", "quantity", "value", "unitText", "text", "name")]
        words = [str(x) for x in said if isinstance(x, str | int | float)]
        if words:
            return " ".join(words)
    return json.dumps(item, ensure_ascii=False)


def _recipe_in(document: Any) -> dict[str, Any]:
    nodes = document if isinstance(document, list) else [document]
    for node in nodes:
        if isinstance(node, dict):
            found = [node, *(node["@graph"] if isinstance(node.get("@graph"), list) else [])]
            for inner in found:
                kind = inner.get("@type") if isinstance(inner, dict) else None
                if kind == "Recipe" or (isinstance(kind, list) and "Recipe" in kind):
                    return dict(inner)
    raise BadInputError("there is no Recipe in it", place="/@type", right='one object must have "@type": "Recipe"')


def _yield(value: Any) -> list[str]:
    first = value[0] if isinstance(value, list) and value else value
    digits = "".join(c for c in str(first).split(" ")[0] if c.isdigit()) if first is not None else ""
    return [f"Makes {digits}"] if digits and len(digits) <= 4 else []


def _steps(value: Any) -> list[str]:
    if isinstance(value, str):
        return value.splitlines()
    found = []
    for item in value if isinstance(value, list) else [value] if isinstance(value, dict) else []:
        if isinstance(item, str):
            found.append(item)
        elif isinstance(item, dict) and isinstance(item.get("text"), str):
            found.append(item["text"])
        elif isinstance(item, dict):
            inner = _steps(item.get("itemListElement"))
            name = str(item.get("name") or "").strip()
            named = [f"{name.rstrip(':')}:" if inner else name] if name else []
            found += [*named, *inner]
    return [" ".join(s.split()) for s in found]
