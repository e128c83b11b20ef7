"""What is kept of plants beside words: photos, and trials of a feed."""
