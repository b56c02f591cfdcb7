"""Mathematics with no idea of the job: programs and their solver, nested learning, repeated readings, distributions."""

__all__ = ["distributions", "nested_normal", "programs", "repeatability", "repeated_readings", "solver"]
