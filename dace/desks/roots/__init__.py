"""The roots: what drains from a place, flushes, waterings, harvests, a logger."""
