"""Notebooks from elsewhere: columns matched, rows read, what cannot be read told."""
