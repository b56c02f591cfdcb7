"""The kitchen's own records in SQLite: ingredients, lots, briefs, blends, drafts and revisions."""
