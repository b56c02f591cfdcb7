"""Finding the times of tasks that share hands, mixers and ovens."""

__all__ = ["checking", "grid", "problem", "solving", "windows"]
