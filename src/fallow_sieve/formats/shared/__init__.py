"""What the formats share: strict JSON, tables, places of errors, rounded answers."""
