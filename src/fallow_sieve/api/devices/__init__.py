"""Devices over HTTP: the scale on the bench."""
