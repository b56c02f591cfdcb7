"""Mathematics with no idea of the job: programs and their solver, sieving, repeated readings."""

__all__ = ["programs", "repeated_readings", "solver"]
