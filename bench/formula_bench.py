"""A formula's live judgement over HTTP against an empty endpoint in the same run; reading and making over in the core."""

from __future__ import annotations

import json
import tempfile
import time
from dataclasses import replace
from http.client import HTTPConnection

from fallow_sieve.core.blends.blend import Part
from fallow_sieve.core.values.pins import Pin
from fallow_sieve.reference.uses import rules
from fallow_sieve.services.kitchen import bundled_kitchen
from fallow_sieve.services.recipes import make_over, read_text
from http_bench import serve
from measuring import interleaved, noted, percentile

AIM = 3.0
AIM_MS = 60.0
CALLS = 500
RECIPE = "\n".join(
    (
        "Trial cake", "2 cups plain flour", "120 g wholemeal flour", "2 tsp baking powder", "½ tsp bicarbonate of soda", "a pinch of salt",
        "1 cup (200 g) caster sugar", "2 heaped tbsp honey", "150 g butter, softened", "3 large eggs, beaten", "1 1/4 cups milk",
        "120–140 ml water", "100 g raisins", "2 tbsp cocoa powder", "4 oz ground almonds", "1 stick butter", "1 tsp vinegar",
        "2 tbsp cornflour", "30 g psyllium husk", "1 tbsp olive oil", "60 ml maple syrup",
        "For the filling:", "1 tsp each cinnamon and ginger", "zest of 1 lemon", "2 x 400 g tins chickpeas, drained",
        "1/4 cup + 1 tbsp brown sugar", "a knob of butter", "2 dessertspoons treacle", "100 ml double cream",
        "50 g walnuts, toasted and chopped", "1 small onion, finely chopped", "salt and pepper, to taste",
        "For the icing:", "250 g icing sugar, sifted", "1-2 tbsp lemon juice", "25 g cream cheese", "vanilla, to taste",
        "a handful of moon dust", "1 1/2 tsp xantham gum", "3 egg whites", "½ cup coconut flakes", "1 gill milk",
        "sprinkles, to decorate", "Bake at 180 C for 50 minutes.",
    )
)  # fmt: skip
BLEND = (Part("sorghum-flour", 500.0), Part("potato-starch", 300.0), Part("tapioca-starch", 200.0))


def over_http() -> None:
    """Print how long a formula's judgement takes beside an empty answer."""
    with tempfile.TemporaryDirectory() as folder:
        server, connection = serve(folder)

        def ask(method: str, path: str, body: str | None = None) -> bytes:
            connection.request(method, path, body, {"content-type": "application/json"})
            answer = connection.getresponse()
            data = answer.read()
            if answer.status >= 300:
                raise SystemExit(f"{path} answered {answer.status}")
            return data

        content = json.loads(ask("GET", "/api/v1/formulas/1/draft"))["content"]
        body = json.dumps({"content": content})

        def empty() -> None:
            ask("GET", "/api/v1/ping")

        def judge() -> None:
            ask("POST", "/api/v1/formula-judgements", body)

        try:
            interleaved(empty, judge, 50)
            bare, whole = interleaved(empty, judge, CALLS)
        finally:
            server.kill()
            server.wait()
    assert isinstance(connection, HTTPConnection)
    print(f"POST formula-judgements over HTTP on loopback, {CALLS} calls, in turn with an empty endpoint")
    for name, times in (("formula", whole), ("empty 204", bare)):
        print(f"  {name:<10} p50 {percentile(times, 0.5) * 1e3:.2f} ms, p95 {percentile(times, 0.95) * 1e3:.2f} ms")
    ratios = [percentile(whole, s) / percentile(bare, s) for s in (0.5, 0.95)]
    noted("formula over HTTP, p95", percentile(whole, 0.95), "empty endpoint", percentile(bare, 0.95), f"≤ {AIM:g}")
    print(f"  ratio at p50 {ratios[0]:.2f}, at p95 {ratios[1]:.2f} (aim: at most {AIM:g})")


def in_the_core() -> None:
    """Print how long it takes to read a recipe of forty lines, check it and make it over, its text never the same."""
    kitchen, use, pin = bundled_kitchen(), rules().uses["layer-cake"], Pin("blend", None, None, "Mix")
    times = []
    for n in range(60):
        text = f"{RECIPE}\n{100 + n} g sorghum flour\n{n} g unheard-of{n}"
        begun = time.perf_counter()
        read = read_text(text, kitchen)
        make_over(replace(read.formula, blend=tuple(BLEND), pin=pin), use, kitchen, text=text)
        times.append(time.perf_counter() - begun)
    lines = len(read.recipe.lines)
    print(f"read, check and make over a recipe of {lines} lines, 60 times (the first reads the tables)")
    print(
        f"  first {times[0] * 1e3:.1f} ms, then p50 {percentile(times[1:], 0.5) * 1e3:.1f} ms, p95 {percentile(times[1:], 0.95) * 1e3:.1f} ms (aim: under {AIM_MS:g})"
    )


if __name__ == "__main__":
    over_http()
    in_the_core()
