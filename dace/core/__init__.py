"""The heart of Dace: pure computation, without Django, clock or network.

Everything outside imports from :mod:`dace.core.api` (and, for callers that
want it bare, :func:`dace.core.conductivity.ec_25`).
"""
