"""The web interface of the core: a Flask application under /api/v1, and the pages that are built from web/."""

__all__ = ["app"]
