"""Mathematics with no idea of the job: programs and their solver, nested learning, sieving, repeated readings."""

__all__ = ["nested_normal", "programs", "repeatability", "repeated_readings", "solver"]
