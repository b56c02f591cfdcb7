"""Values that every noun of the core uses: estimates, bands, changes, pins, quantities, words, errors."""
