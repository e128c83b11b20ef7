"""Set-up: everything that a household keeps, and what grows where."""
