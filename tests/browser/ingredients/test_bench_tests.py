"""Bench tests with the simulated scale."""

import re

from playwright.sync_api import Page, expect


def say(page: Page):
    return page.locator("h1")


class TestBench:
    """The hands at a bench test."""

    __test__ = False

    def __init__(self, page: Page, slug: str, kind: str) -> None:
        self.page = page
        page.goto(f"/#/ingredients/{slug}/test/{kind}" if slug else "/#/scale/check")

    def weigh(self, mass_g: float, title: str) -> None:
        """Puts it on the simulated scale and takes the reading."""
        expect(self.page.get_by_role("heading", name=title, exact=True)).to_be_visible()
        self.page.get_by_label("Simulated: on the pan").fill(str(mass_g))
        self.page.get_by_role("button", name="Put on").click()
        expect(self.page.get_by_label("The scale shows")).to_have_text(f"{mass_g} g")
        self.page.get_by_role("button", name="Take this reading").click()
        self.next()

    def type(self, value: str) -> None:
        self.page.locator("input.huge").fill(value)
        self.page.keyboard.press("Enter")

    def wait(self) -> None:
        self.page.get_by_role("button", name="Done waiting").click()

    def next(self) -> None:
        self.page.get_by_role("button", name=re.compile("^(Next|See the result)$")).click()


def test_cup_weight_with_the_simulated_scale(page):
    test = TestBench(page, "quinoa-flour", "cup")
    page.get_by_label("This is").select_option(label="lot CB-0933")
    page.get_by_role("button", name="Dip and level").click()
    test.type("250")
    for mass_g, title in ((131, "First cup"), (128, "Second cup"), (133, "Third cup")):
        test.weigh(mass_g, title)
    expect(page.locator(".verdict")).to_contain_text("0.523 ± 0.025 g/mL, 131 g in your cup, dipped and levelled")
    page.get_by_label("Note").fill("rainy day")
    page.get_by_role("button", name="Use this from now on").click()
    expect(page.get_by_text("Cup weight of CB-0933, 14 Mar 2026")).to_be_visible()
    expect(page.get_by_text("rainy day")).to_be_visible()


def test_water_taken_up_with_the_simulated_scale_then_the_bench_uses_it(page, bench):
    test = TestBench(page, "sorghum-flour", "water")
    page.get_by_label("This is").select_option(label="lot LI-061")
    test.weigh(12, "The dry cloth")
    expect(page.get_by_label("Time left")).to_have_text("5:00")
    test.wait()
    test.weigh(40, "The wet cloth")
    for nth, drained in (("First", 165), ("Second", 167), ("Third", 166)):
        test.weigh(50, f"{nth} run: the flour")
        expect(page.get_by_label("Time left")).to_have_text("10:00")
        test.wait()
        test.wait()
        test.weigh(drained, f"{nth} run: the wet flour")
    expect(page.locator(".verdict")).to_contain_text("Your bag takes 27 % more water than typical: 1.52 ± 0.05 g/g.")
    page.get_by_role("button", name="Use this from now on").click()
    expect(page.get_by_text("Water taken up of LI-061")).to_be_visible()

    bench.open(1)
    thirst = bench.sieve("thirst_g_per_g")
    before = thirst.inner_text()
    bench.row("sorghum-flour").get_by_role("button", name=re.compile("^Sorghum flour")).first.click()
    bench.row("sorghum-flour").get_by_role("button", name="Which lot of").click()
    page.get_by_role("button", name="Lot LI-061").click()
    expect(bench.row("sorghum-flour")).to_contain_text("lot LI-061")
    expect(thirst).not_to_have_text(before)
    thirst.get_by_role("button", name="Thirst").click()
    term = page.get_by_role("row", name="Sorghum flour")
    expect(term).to_contain_text("measured of lot LI-061")
    expect(term).to_contain_text("14 Mar 2026")
    expect(page.get_by_text(re.compile("Numbers rest on .* measured"))).to_be_visible()
    bench.saved()
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Undo").click()
    expect(bench.row("sorghum-flour")).not_to_contain_text("lot LI-061")


def test_sieve_grading_with_the_simulated_scale(page):
    test = TestBench(page, "quinoa-flour", "sieve")
    expect(page.get_by_role("button", name="250 µm")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="355 µm").click()
    test.next()
    test.weigh(100, "What you put in")
    test.wait()
    for mesh, mass_g in (("500", 2), ("250", 18), ("180", 30), ("125", 25)):
        test.weigh(mass_g, f"On the {mesh} µm mesh")
    test.weigh(22, "In the pan")
    expect(page.locator(".verdict")).to_contain_text("grit")
    expect(page.get_by_text("3.0 % was lost: brush the meshes out")).to_be_visible()
    expect(page.get_by_role("img", name="Share finer than each size")).to_be_visible()
    expect(page.get_by_text("Rosin–Rammler: 36.8 %")).to_be_visible()


def test_the_scale_is_checked_with_ten_weighings_of_a_coin(page):
    test = TestBench(page, "", "scale")
    page.get_by_role("button", name="1 g", exact=True).click()
    for n, mass_g in enumerate((8, 8, 8, 7, 8, 8, 8, 9, 8, 8), start=1):
        test.weigh(mass_g, f"Weighing {n} of 10")
    expect(page.locator(".verdict")).to_contain_text("Your scale shows steps of 1 g and repeats within 0.94 g")
    page.get_by_role("button", name="Put it on record").click()
    expect(say(page)).to_contain_text("it weighs 19 g and more to within 5 %")


def test_a_bench_test_left_half_way_goes_on_where_it_was(page):
    test = TestBench(page, "quinoa-flour", "cup")
    page.get_by_role("button", name="Spoon it in").click()
    test.type("250")
    test.type("130")
    expect(page.get_by_role("heading", name="Second cup")).to_be_visible()
    page.reload()
    expect(page.get_by_role("heading", name="Second cup")).to_be_visible()
    page.get_by_role("button", name="Back").click()
    expect(page.locator("input.huge")).to_have_value("130")
    page.get_by_role("button", name="Start over").click()
    expect(page.get_by_role("heading", name="How do you fill a cup?")).to_be_visible()


def test_a_reading_that_cannot_be_is_said_at_the_end_and_can_be_mended(page):
    test = TestBench(page, "quinoa-flour", "cup")
    page.get_by_role("button", name="Spoon it in").click()
    for value in ("250", "130", "1300", "131"):
        test.type(value)
    expect(page.get_by_role("alert")).to_contain_text("1300 g in 250 mL")
    page.get_by_role("button", name="Back").click()
    page.get_by_role("button", name="Back").click()
    test.type("132")
    test.type("131")
    expect(page.locator(".verdict")).to_contain_text("g/mL")


def test_the_scale_fills_any_mass_field(page, bench):
    bench.open()
    page.get_by_role("button", name="Scale", exact=True).click()
    bench.mass("teff-flour").click()
    page.get_by_label("Simulated: on the pan").fill("131")
    page.get_by_role("button", name="Put on").click()
    expect(page.get_by_label("The scale shows")).to_have_text("131 g")
    page.get_by_role("button", name="Into Teff flour, g").click()
    expect(bench.mass("teff-flour")).to_have_value("131")
    bench.saved()
    page.get_by_role("button", name="Tare").click()
    expect(page.get_by_label("The scale shows")).to_have_text("0 g")


def flour_beside_paper() -> bytes:
    """A picture of 200 × 100: paper on the left, cream flour on the right, as a bitmap of 24 bits."""
    width, height = 200, 100
    row = bytes((221, 226, 228)) * (width // 2) + bytes((180, 203, 214)) * (width // 2)
    size = len(row) * height
    head = b"BM" + (54 + size).to_bytes(4, "little") + bytes(4) + (54).to_bytes(4, "little")
    info = (40, width, height)
    rest = (1).to_bytes(2, "little") + (24).to_bytes(2, "little") + bytes(4) + size.to_bytes(4, "little") + bytes(16)
    return head + b"".join(n.to_bytes(4, "little") for n in info) + rest + row * height


def test_lightness_from_a_photo_beside_paper_is_pointed_at_or_typed(page):
    TestBench(page, "teff-flour", "card")
    field = page.get_by_label("The white card: red, green, blue")
    page.get_by_label("Choose a photo").set_input_files(
        {"name": "teff.bmp", "mimeType": "image/bmp", "buffer": flour_beside_paper()}
    )
    photo = page.locator("canvas")
    photo.click(position={"x": 60, "y": 60})
    expect(field).to_have_value("228, 226, 221")
    page.get_by_role("button", name="Next").click()
    for x in (400, 500):
        photo.click(position={"x": x, "y": 60})
        page.get_by_role("button", name="Next").click()
    page.get_by_label("Third spot of flour: red, green, blue").fill("#d6cbb4")
    page.keyboard.press("Enter")
    expect(page.locator(".verdict")).to_contain_text("Your bag is paler than typical")
    page.get_by_role("button", name="Use this from now on").click()
    expect(page.get_by_text("Lightness, 14 Mar 2026")).to_be_visible()
