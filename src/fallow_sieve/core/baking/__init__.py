"""What is known of ovens, pans and doneness."""
