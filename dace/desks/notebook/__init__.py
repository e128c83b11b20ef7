"""The Notebook: what was done and read, what can be read, undo."""
