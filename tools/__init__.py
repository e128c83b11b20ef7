"""Tools for those who build Dace: pictures and timings."""
