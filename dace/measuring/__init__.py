"""Readings of anything that can be read."""
