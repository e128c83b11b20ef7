"""Screens that join apps, and writes that touch two."""
