"""From a cause to the change to try: on the plan of the next bake, or on the formula."""

__all__ = ["formula_edits", "plan_edits", "worth"]
