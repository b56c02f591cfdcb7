"""Readers and writers of the open formats, each with a JSON Schema where it is JSON (see docs/formats.md)."""
