"""What `convert` writes."""
