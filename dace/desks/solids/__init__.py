"""Heaps, soil mixes, green manure and mulch, as they are thought of."""
