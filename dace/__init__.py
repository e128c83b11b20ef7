"""Dace: the feeding of a home garden."""

__version__ = "0.3.0"
