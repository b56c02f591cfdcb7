"""Devices on the bench. What ships is simulated; a real one fits behind the same interface."""
