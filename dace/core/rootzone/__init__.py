"""Salts and food about the roots: a bucket for each fill, which readings of its drain re-weigh."""
