"""Every doctest of the core runs with the rest, a module at a time."""

import doctest
import importlib
import pkgutil
import unittest

import dace.core


class Doctests(unittest.TestCase):
    """The examples in one module; known by its name, so that another process can run it."""

    def __init__(self, module: str = "dace.core.api") -> None:
        super().__init__("examples_hold")
        self.module = module

    def __eq__(self, other: object) -> bool:
        # the runner runs equal tests once: these are told apart by their module
        return isinstance(other, Doctests) and other.module == self.module

    def __hash__(self) -> int:
        return hash((type(self), self.module))

    def __str__(self) -> str:
        return f"examples in {self.module}"

    def id(self) -> str:
        return f"{super().id()} {self.module}"

    def examples_hold(self) -> None:
        finder = doctest.DocTestFinder(exclude_empty=True)
        runner = doctest.DocTestRunner(verbose=False)
        said: list[str] = []
        for case in finder.find(importlib.import_module(self.module)):
            runner.run(case, out=said.append)
        self.assertFalse(runner.failures, "".join(said))


def load_tests(_loader: unittest.TestLoader, _tests: unittest.TestSuite, _pattern: str | None):
    modules = pkgutil.walk_packages(dace.core.__path__, "dace.core.")
    return unittest.TestSuite(
        Doctests(module.name) for module in modules if not module.name.endswith("__main__")
    )
