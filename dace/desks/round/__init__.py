"""The Round: what to do today, in the order in which one walks, and what waits."""
