"""`ripen`, `rise`, `starter` and `schedule`, run as a person would: documents, exit codes, and errors with a place."""

import json

import pytest

from running import run as in_process

DOUGH = {
    "reference_hours": 1.0, "amount_ratio": 1.0, "organism": "yeast", "container": "covered-bowl", "mass_g": 1000, "dough_c": 27,
    "path": [{"hours": 2, "env_c": 22}, {"hours": 10, "env_c": 4}], "target_rise_pct": 80, "fill_pct": 60,
}  # fmt: skip
PLAN = {
    "format": "fallow-sieve/schedule", "version": 1, "zone": "Europe/Oslo", "now": "2026-12-04T12:00",
    "kitchen": {"hours": [["06:00", "23:00"]], "room_c": 22, "fridge_c": 4, "ovens": [{"id": "deck", "kind": "electric", "levels": 2}]},
    "products": [{"id": "loaf", "use": "tin-loaf", "school": "quick", "dough_g": 1900, "pieces": 2, "ready_at": "2026-12-05T16:00"}],
}  # fmt: skip


def run(command, document, *options):
    done = in_process(command, "-", *options, stdin=json.dumps(document).encode())
    return done.returncode, done.stdout.decode(), done.stderr.decode()


def test_ripen_tells_the_gates_of_a_dough():
    code, out, _ = run("ripen", DOUGH, "--json")
    found = json.loads(out)
    assert code == 0
    assert found["early_h"] < found["ripe_h"] < found["over_h"]
    assert found["rim_h"] == pytest.approx(0.827, abs=2e-3)
    assert found["dough_c_at_end"] == pytest.approx(4.04, abs=1e-2)


def test_ripen_says_null_where_a_dough_does_not_get_there_and_that_more_yeast_is_not_trusted():
    code, out, _ = run("ripen", {**DOUGH, "amount_ratio": 0.05, "path": [{"hours": 1, "env_c": 10}]}, "--json")
    found = json.loads(out)
    assert (code, found["ripe_h"]) == (0, None)
    assert "trusted" in found["notes"][0]


def test_rise_narrows_with_readings_and_a_jar_is_not_the_dough():
    before = json.loads(run("rise", {**DOUGH, "readings": []}, "--json")[1])
    readings = [{"hours": 0.5, "rise_pct": 18}, {"hours": 0.75, "rise_pct": 48}]
    after = json.loads(run("rise", {**DOUGH, "readings": readings}, "--json")[1])
    assert after["high_h"] - after["low_h"] < before["high_h"] - before["low_h"]
    jar = json.loads(run("rise", {**DOUGH, "readings": readings, "jar": {"container": "sample-jar"}}, "--json")[1])
    assert jar["ripe_h"] != after["ripe_h"]


def test_starter_counts_grams_back_to_the_jar():
    code, out, _ = run("starter", {"need_g": 350, "keep_back_g": 60, "rest_days": 5, "temp_c": 24}, "--json")
    found = json.loads(out)
    assert code == 0
    assert [b["seed_g"] for b in found["builds"]] == [28.0, 73.0]
    assert found["from_jar_g"] == 28.0
    assert any("never screw" in c for c in found["cautions"])


def test_schedule_ends_in_time_with_hands_by_day():
    code, out, _ = run("schedule", PLAN, "--json")
    found = json.loads(out)
    assert (code, found["status"]) == (0, "optimal")
    assert found["products"][0]["ready_at"] <= "2026-12-05T15:00:00Z"
    assert {"weigh", "mix", "proof", "bake", "cool"} <= {s["step"] for s in found["steps"]}
    assert found["heating"][0]["at"] < found["heating"][0]["hot_at"]


def test_a_schedule_that_cannot_be_exits_1_with_a_time_that_works():
    soon = {**PLAN["products"][0], "ready_at": "2026-12-04T13:00"}
    code, out, _ = run("schedule", {**PLAN, "products": [soon]}, "--json")
    found = json.loads(out)
    assert (code, found["status"]) == (1, "infeasible")
    assert found["conflicts"][0]["works"] > "2026-12-04T13:00"
    assert "at least" in found["conflicts"][0]["say"]


@pytest.mark.parametrize(
    ("wrong", "place"),
    [
        ({"zone": "Europe/Atlantis"}, "/zone"),
        ({"now": "soon, I think"}, "/now"),
        ({"kitchen": {"ovens": [{"id": "a", "kind": "campfire"}]}}, "/kitchen/ovens/0/kind"),
        ({"kitchen": {"ovens": [{"id": "a"}, {"id": "a"}]}}, "/kitchen/ovens/1/id"),
        ({"products": []}, "/products"),
        ({"products": [PLAN["products"][0], PLAN["products"][0]]}, "/products/1/id"),
        ({"products": [{**PLAN["products"][0], "school": "slow"}]}, "/products/0/school"),
        ({"products": [{**PLAN["products"][0], "pins": {"nap": "2026-12-05T16:00"}}]}, "/products/0/pins/nap"),
        ({"products": [{**PLAN["products"][0], "ready_at": "2027-12-05T16:00"}]}, "/products"),
    ],
)
def test_what_makes_no_sense_exits_2_and_names_the_place(wrong, place):
    code, out, error = run("schedule", {**PLAN, **wrong}, "--json")
    assert (code, out) == (2, "")
    assert place in error


def test_in_words_the_plan_begins_with_when_it_is_ready():
    assert run("schedule", PLAN)[1].startswith("Ready Saturday 16:00.")
    assert run("ripen", DOUGH)[1].startswith("Ripe after 1 h 02 min.")
    assert "to" in run("starter", {"need_g": 100, "temp_c": 24})[1]
    assert "Ripe after" in run("rise", {**DOUGH, "readings": [{"hours": 0.5, "rise_pct": 18}]})[1]


def test_a_plan_is_written_as_a_calendar_too(tmp_path):
    code, _, _ = run("schedule", PLAN, "--json", "--ics", str(tmp_path / "plan.ics"))
    text = (tmp_path / "plan.ics").read_bytes()
    assert code == 0
    assert text.startswith(b"BEGIN:VCALENDAR\r\n")
    assert text.count(b"BEGIN:VEVENT") > 5
    assert run("schedule", PLAN, "--ics", str(tmp_path))[0] == 2


def test_a_night_of_the_clock_change_is_said():
    night = {
        **PLAN,
        "zone": "Europe/London",
        "now": "2026-10-24T16:00",
        "products": [
            {
                "id": "buns",
                "use": "soft-roll",
                "school": "chill-shape",
                "dough_g": 1600,
                "pieces": 20,
                "ready_at": "2026-10-25T12:00",
            }
        ],
    }
    found = json.loads(run("schedule", night, "--json")[1])
    assert any("Clocks go back on Sunday: that night is 1 h longer" in c for c in found["cautions"])
