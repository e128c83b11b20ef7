"""Weir Yard, a made-up garden, written through the services."""
