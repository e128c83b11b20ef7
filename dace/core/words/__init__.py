"""Quantities, sizes and amounts as people write and say them: the one door to Pint."""
