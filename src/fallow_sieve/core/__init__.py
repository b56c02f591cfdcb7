"""The rules of the job: pure functions over frozen values, with no files, clock, network or screens."""
