"""The kitchen's settings over HTTP."""
