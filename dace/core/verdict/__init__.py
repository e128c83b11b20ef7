"""One verdict a stop: what to do there today, why, and what with; every screen says that."""
