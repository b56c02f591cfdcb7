"""A pasted panel: what is understood, what is taken with a look, and what is left to the reader; never a wild guess."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from fallow_sieve.core.values.errors import BadInputError
from fallow_sieve.formats.ingredients.panel_text import MOST_CHARACTERS, read_label_text


def line(text):
    return read_label_text(text).lines[0]


@pytest.mark.parametrize(
    ("text", "name", "printed"),
    [
        ("Protein 7 g", "protein_g", "7"),
        ("Protein: 7g", "protein_g", "7"),
        ("PROTEIN 7,5 g", "protein_g", "7.5"),
        ("Fat 1,2 g", "fat_g", "1.2"),
        ("Total Fat 0.5g 1%", "fat_g", "0.5"),
        ("of which saturates 0,3 g", "saturated_fat_g", "0.3"),
        ("- of which sugars 0.6 g", "sugars_g", "0.6"),
        ("Saturated Fat 0g 0%", "saturated_fat_g", "0"),
        ("Total Carbohydrate 23g 8%", "carbohydrate_g", "23"),
        ("Carbohydrate 72 g", "carbohydrate_g", "72"),
        ("Dietary Fiber <1g 2%", "fibre_g", "<1"),
        ("Dietary Fiber less than 1g", "fibre_g", "<1"),
        ("Fibre 3,1 g", "fibre_g", "3.1"),
        ("Total Sugars 0g", "sugars_g", "0"),
        ("Salt < 0.01 g", "salt_g", "< 0.01"),
        ("Sodium 5mg 0%", "sodium_mg", "5"),
        ("Sodium 0.2 g", "sodium_mg", "0.2 g"),
        ("Iron 1mg 6%", "iron_mg", "1"),
        ("Calcium 20 mg", "calcium_mg", "20"),
        ("• Potassium 120mg", "potassium_mg", "120"),
    ],
)
def test_a_line_of_a_panel_is_understood(text, name, printed):
    found = read_label_text(text)
    assert found.printed == {name: printed}
    assert found.lines[0].status == "taken"


@pytest.mark.parametrize(
    ("text", "printed"),
    [
        ("Energy 1480 kJ / 350 kcal", {"energy_kj": "1480", "energy_kcal": "350"}),
        ("Energy: 350 kcal (1480 kJ)", {"energy_kj": "1480", "energy_kcal": "350"}),
        ("Calories 110", {"energy_kcal": "110"}),
        ("kcal 350", {}),
        ("Energy 1480", {}),
    ],
)
def test_energy_needs_its_unit_but_for_calories(text, printed):
    assert read_label_text(text).printed == printed


@pytest.mark.parametrize(
    ("text", "serving"),
    [
        ("Serving size 1/4 cup (30g)", ("0.25", "cup", "30")),
        ("Serving size: ¼ cup (30 g)", ("0.25", "cup", "30")),
        ("Serving size 1 1/2 tbsp (12g)", ("1.5", "tablespoon", "12")),
        ("Serving size 2 tablespoons", ("2", "tablespoon", "")),
        ("Serving size 30 g", ("30", "g", "")),
        ("Serving size 1 oz (28g)", ("1", "oz", "28")),
        ("Typical values per 100 g", ("100", "g", "")),
        ("Nutrition per 100g", ("100", "g", "")),
        ("8 servings per container", ("", "", "")),
        ("Serving size 3 scoops", ("", "", "")),
    ],
)
def test_the_serving_is_understood_with_its_unit_or_not_at_all(text, serving):
    found = read_label_text(text)
    assert (found.serving, found.serving_unit, found.serving_g) == serving


@pytest.mark.parametrize(
    ("text", "convention"),
    [
        ("Calories 110\nTotal Carbohydrate 23g", "inside"),
        ("Fat 1 g\nof which saturates 0.2 g\nSalt 0.1 g", "apart"),
        ("Carbohydrate 72 g\nFibre 3 g", None),
        ("Calories 110\nof which saturates 1 g", None),
        ("Serving size 3 Tbsp (30g)\nSodium 0mg\nCarb. 24g", "inside"),
        ("Per 100 g\nEnergy 1510 kJ\nSodium 5 mg", "apart"),
        ("Energy 1510 kJ\nSodium 5 mg", None),
    ],
)
def test_the_convention_is_only_said_where_the_text_says_it(text, convention):
    assert read_label_text(text).convention == convention


@pytest.mark.parametrize(
    ("text", "status"),
    [
        ("Protein 7", "partly"),
        ("Protein 7 g 2.1 g", "partly"),
        ("Protein rich", "not"),
        ("Protein 7 kcal", "not"),
        ("Store in a cool place", "not"),
        ("Trans Fat 0g", "empty"),
        ("Cholesterol 0mg", "empty"),
        ("Includes 0g Added Sugars 0%", "empty"),
        ("Vitamin D 0mcg 0%", "empty"),
        ("* % Daily Value", "empty"),
        ("", "empty"),
    ],
)
def test_what_is_not_sure_is_marked(text, status):
    assert line(f"{text}\n").status == status


def test_the_second_of_two_like_lines_is_left_and_said():
    found = read_label_text("Protein 7 g\nProtein 9 g")
    assert (found.printed["protein_g"], found.lines[1].status) == ("7", "not")
    assert "stands twice" in found.lines[1].say


def test_a_text_without_end_is_refused():
    with pytest.raises(BadInputError, match="at most"):
        read_label_text("x" * (MOST_CHARACTERS + 1))


@given(st.text(max_size=300))
def test_any_text_is_read_without_a_stumble_and_every_line_has_its_say(text):
    found = read_label_text(text)
    assert len(found.lines) == len(text.splitlines())
    assert all(x.say or x.status == "empty" for x in found.lines)


@pytest.mark.parametrize(
    "text",
    [
        "Nährwerte pro 100 g\nBrennwert 1500 kJ\nFett 1 g\ndavon gesättigte Fettsäuren 0,1 g\nKohlenhydrate 80 g\n"
        "davon Zucker 2 g\nBallaststoffe 3 g\nEiweiß 6 g\nSalz 0,2 g",
        "Valeurs pour 100 g\nÉnergie 1500 kJ\nMatières grasses 1 g\ndont acides gras saturés 0,1 g\nGlucides 80 g\n"
        "dont sucres 2 g\nFibres alimentaires 3 g\nProtéines 6 g\nSel 0,2 g",
        "por 100 g\nValor energético 1500 kJ\nGrasas 1 g\nde las cuales saturadas 0,1 g\nHidratos de carbono 80 g\n"
        "de los cuales azúcares 2 g\nFibra alimentaria 3 g\nProteínas 6 g\nSal 0,2 g",
        "per 100 g\nEnergia 1500 kJ\nGrassi 1 g\ndi cui acidi grassi saturi 0,1 g\nCarboidrati 80 g\n"
        "di cui zuccheri 2 g\nFibre 3 g\nProteine 6 g\nSale 0,2 g",
        "per 100 g\nEnergi 1500 kJ\nFett 1 g\nvarav mättat fett 0,1 g\nKolhydrat 80 g\nvarav sockerarter 2 g\n"
        "Fiber 3 g\nProtein 6 g\nSalt 0,2 g",
    ],
    ids=["de", "fr", "es", "it", "sv"],
)
def test_a_panel_of_another_language_is_read_like_an_english_one(text):
    found = read_label_text(text)
    assert found.printed == {"energy_kj": "1500", "fat_g": "1", "saturated_fat_g": "0.1", "carbohydrate_g": "80", "sugars_g": "2", "fibre_g": "3", "protein_g": "6", "salt_g": "0.2"}  # fmt: skip
    assert (found.serving, found.serving_unit, found.convention) == ("100", "g", "apart")
