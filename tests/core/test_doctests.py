"""Every doctest of the core runs with the rest."""

import doctest
import importlib
import pkgutil
import unittest

import dace.core


def load_tests(_loader: unittest.TestLoader, tests: unittest.TestSuite, _pattern: str | None):
    for module in pkgutil.walk_packages(dace.core.__path__, "dace.core."):
        if not module.name.endswith("__main__"):
            tests.addTests(doctest.DocTestSuite(importlib.import_module(module.name)))
    return tests
