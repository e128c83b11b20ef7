"""Looking at plants: scores, notes, and what a sign likely means."""
