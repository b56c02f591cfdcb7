"""Devices on the bench. What ships is simulated; a real one fits behind the same interface."""

from fallow_sieve.devices.scale import Scale, SimulatedScale

__all__ = ["Scale", "SimulatedScale"]
