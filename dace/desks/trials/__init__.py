"""Did it help? Trials of a feed."""
