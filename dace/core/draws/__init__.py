"""Spreads of what is not known, and an ensemble that readings re-weigh."""
