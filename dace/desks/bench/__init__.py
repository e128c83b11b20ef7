"""The Bench: a can worked out and poured."""
