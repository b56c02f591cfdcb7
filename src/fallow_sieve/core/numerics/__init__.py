"""Mathematics with no idea of the job: programs and their solver, sieving, repeated readings."""
