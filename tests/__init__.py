"""Dace's tests. Drawn examples are the same at every run, so that a failure is one for all."""

from hypothesis import settings

settings.register_profile("repeatable", derandomize=True, deadline=None)
settings.load_profile("repeatable")
