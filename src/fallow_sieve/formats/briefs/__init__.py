"""Briefs as files, and what `propose` and `mend` write."""
