"""The bundled tables (CSV, each row one fact with its source or basis) and one small loader each."""
