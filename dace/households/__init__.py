"""People, the household they share, and every change they made."""
