"""Endpoints of the desks: doorbells, one file a subject."""
