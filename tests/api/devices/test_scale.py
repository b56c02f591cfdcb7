"""The scale over HTTP; another fits behind the same interface."""

API = "/api/v1"


def place(answer):
    assert answer.status_code == 422, answer.json
    assert answer.mimetype == "application/problem+json"
    return answer.json["place"]


def test_the_simulated_scale_can_be_loaded_read_and_tared(client, app):
    from fallow_sieve.devices.scale import SimulatedScale

    class Clock:
        now = 0.0

        def __call__(self):
            return self.now

    clock = Clock()
    app.extensions["scale"] = SimulatedScale(clock, noise_g=0, drift_g_per_min=0)
    assert client.put(f"{API}/devices/scale/load", json={"mass_g": 128}).json["stable"] is False
    clock.now = 5
    shown = client.get(f"{API}/devices/scale").json
    assert (shown["mass_g"], shown["stable"], shown["simulated"]) == (128, True, True)
    assert client.post(f"{API}/devices/scale/tare").json["mass_g"] == 0
    assert place(client.put(f"{API}/devices/scale/load", json={"mass_g": -1})) == "/mass_g"


def test_another_scale_fits_behind_the_same_interface(client, app):
    from fallow_sieve.devices.scale import Reading

    class RealScale:
        name, readability_g, capacity_g = "Bench scale", 0.1, 3000.0

        def read(self):
            return Reading(12.3, True)

        def tare(self):
            pass

    app.extensions["scale"] = RealScale()
    shown = client.get(f"{API}/devices/scale").json
    assert (shown["mass_g"], shown["simulated"]) == (12.3, False)
    assert client.put(f"{API}/devices/scale/load", json={"mass_g": 1}).status_code == 404
