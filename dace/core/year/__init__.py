"""The year round: what a garden teaches, cold nights, and what follows what."""
