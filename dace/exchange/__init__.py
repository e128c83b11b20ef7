"""In and out: backups of everything, and what brings them back."""
