"""Cans mixed and doses poured."""
