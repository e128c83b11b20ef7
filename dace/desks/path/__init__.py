"""The path: every stop in walking order."""
