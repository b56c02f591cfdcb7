"""What is known of a bake that speaks for or against a cause."""

__all__ = ["applies", "composition", "log"]
