"""A can or a dressing: how strong, what it holds, in whose measures, how much each gets."""
