"""A mix mended on a kitchen: doses first, and with them what the flours still need."""

from fallow_sieve.core.blends.blend import Blend, Part
from fallow_sieve.core.numerics.programs import UNLIMITED
from fallow_sieve.services.blends.mending import answer_of, mended
from fallow_sieve.services.kitchen import bundled_kitchen


def answer(use, **masses):
    blend = Blend(tuple(Part(s.replace("_", "-"), float(m)) for s, m in masses.items()), use=use)
    return answer_of(mended(blend, bundled_kitchen(), 3, UNLIMITED), 3)


def test_a_gum_that_holds_a_good_mix_is_mended_by_its_dose_alone():
    found = answer(
        "drop-cookie", white_rice_flour=450, sorghum_flour=250, potato_starch=200, tapioca_starch=100, xanthan_gum=50
    )
    (option,) = found.options
    assert (found.state, option.passes, option.moved_g) == ("mended", True, 0)
    assert {p.ingredient: p.mass_g for p in option.parts}["xanthan-gum"] == 3.5


def test_where_the_flours_need_mending_too_the_dose_goes_with_every_option():
    found = answer("drop-cookie", tapioca_starch=800, white_rice_flour=200, xanthan_gum=50)
    assert found.options
    for option in found.options:
        assert {p.ingredient: p.mass_g for p in option.parts}["xanthan-gum"] == 3.5
        assert option.passes
        assert option.moved_g > 0


def test_what_is_locked_cannot_be_mended_and_is_said_to_be_beyond():
    blend = Blend((Part("coconut-flour", 400.0, locked=True),), use="hearth-loaf")
    found = answer_of(mended(blend, bundled_kitchen(), 3, UNLIMITED), 3)
    assert (found.state, found.options) == ("beyond", ())
    assert "thirst" in found.say
