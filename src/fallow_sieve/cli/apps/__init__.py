"""The commands of each stage, as the command line takes them."""

__all__ = ["batches", "experiments", "schedules", "tastings", "trials"]
