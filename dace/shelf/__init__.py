"""Jars of bought feed and what is left in them."""
