"""The house keeps its own rules."""

from __future__ import annotations

import ast
import inspect
import re
import subprocess
from graphlib import TopologicalSorter
from importlib import import_module
from pathlib import Path

from django.test import SimpleTestCase
from pydantic import BaseModel

from dace.core import api as core

ROOT = Path(__file__).resolve().parents[1]


def tracked(*patterns: str) -> list[Path]:
    listed = subprocess.run(
        ["git", "ls-files", "--", *patterns], cwd=ROOT, capture_output=True, text=True, check=True
    )
    return [ROOT / line for line in listed.stdout.splitlines() if (ROOT / line).exists()]


class Files(SimpleTestCase):
    def test_lock_files_name_no_host(self):
        for name in ("requirements.txt", "web/package-lock.json"):
            text = (ROOT / name).read_text(encoding="utf-8")
            self.assertNotIn('"resolved"', text)
            self.assertFalse(re.search(r"index-url|trusted-host|npmjs|pypi", text), name)

    def test_every_requirement_is_pinned_and_hashed(self):
        text = (ROOT / "requirements.txt").read_text(encoding="utf-8")
        blocks = [b for b in re.split(r"\n(?=\S)", text.strip()) if not b.startswith("#")]
        self.assertGreater(len(blocks), 20)
        for block in blocks:
            self.assertRegex(block, r"^[A-Za-z0-9._-]+==\S+ \\\n\s+--hash=sha256:")

    def test_the_readme_links_every_picture_and_no_other(self):
        readme = (ROOT / "README.md").read_text(encoding="utf-8")
        linked = set(re.findall(r"docs/screenshots/([\w-]+\.png)", readme))
        there = {path.name for path in (ROOT / "docs" / "screenshots").glob("*.png")}
        self.assertEqual(linked, there)
        self.assertLess(len(there), 20)

    def test_no_circle_among_the_modules_of_the_browser(self):
        graph = {}
        for path in tracked("web/src/*.ts", "web/src/*.svelte"):
            named = re.findall(r"(?:from|import\() ?'(\.[^']+)'", path.read_text(encoding="utf-8"))
            found = ((path.parent / name).resolve() for name in named)
            graph[path] = {one if one.suffix else one.with_name(f"{one.name}.ts") for one in found}
        self.assertGreater(sum(map(len, graph.values())), 400)
        list(TopologicalSorter(graph).static_order())  # raises CycleError

    def test_colours_stand_in_the_tokens_alone(self):
        for path in tracked("web/src/*.svelte"):
            style = path.read_text(encoding="utf-8").partition("<style>")[2]
            self.assertFalse(re.search(r"#[0-9a-fA-F]{3,8}\b", style), path)

    def test_no_style_attribute_that_the_policy_would_refuse(self):
        for path in tracked("web/src/*.svelte"):
            markup = path.read_text(encoding="utf-8").partition("<style>")[0]
            self.assertNotIn('style="', markup, path)


class Core(SimpleTestCase):
    def test_everything_public_is_documented(self):
        for name in core.__all__:
            thing = getattr(core, name)
            if inspect.isclass(thing) or inspect.isfunction(thing):
                self.assertTrue((thing.__doc__ or "").strip(), name)

    def test_the_public_surface_lists_what_it_imports(self):
        tree = ast.parse((ROOT / "dace/core/api.py").read_text(encoding="utf-8"))
        imported = {
            alias.asname or alias.name
            for node in tree.body
            if isinstance(node, ast.ImportFrom)
            for alias in node.names
        }
        self.assertEqual(set(core.__all__), imported)

    def test_the_core_reads_no_clock_and_no_chance(self):
        for path in tracked("dace/core/*.py"):
            text = path.read_text(encoding="utf-8")
            self.assertFalse(
                re.search(r"datetime\.now|time\.time|import random|date\.today", text), path
            )


class Queries(SimpleTestCase):
    def test_every_query_of_what_is_kept_begins_with_its_household(self):
        """`.objects` is followed by the household's own door, in every app."""
        doors = ("of(", "in_use(", "fetch(", "written_before(", "create(", "select_related(")
        doors += ("weighing(",)
        models = "Can|CanPart|Dose|Fill|Garden|Jar|Measure|Pen|Place|Planting|Reading|StageSeen"
        models += "|Stand|Subject|Vessel|Water|Brew|BrewEvent|Dressing|OwnMaterial|OwnRecipe"
        models += "|OwnWeather|SoilTest|FieldTest|Harvest|Watering|SeenTo"
        for path in tracked("dace/*.py"):
            if "demo" in path.parts or "migrations" in path.parts:
                continue
            text = path.read_text(encoding="utf-8")
            for found in re.finditer(rf"\b(?:{models})\.objects\s*\.(\w+\()([^\n]*)", text):
                scoped = found[1] in doors or "household_id" in found[2]
                self.assertTrue(scoped, f"{path}: {found[0]}")


class Writes(SimpleTestCase):
    def test_whoever_writes_reads_inside_its_own_transaction(self):
        """A public service that begins a change holds the write lock before it reads."""
        for path in tracked("dace/*.py"):
            if path.parts[-2] not in ("garden", "feeding", "shelf", "measuring", "households"):
                continue
            for node in ast.parse(path.read_text(encoding="utf-8")).body:
                if not isinstance(node, ast.FunctionDef) or node.name.startswith("_"):
                    continue
                calls = {
                    one.func.id
                    for one in ast.walk(node)
                    if isinstance(one, ast.Call) and isinstance(one.func, ast.Name)
                }
                if calls & {"change", "keep", "put_away"} and node.name != "change":
                    held = [ast.unparse(one) for one in node.decorator_list]
                    self.assertIn("transaction.atomic", held, f"{path}: {node.name}")


class Shapes(SimpleTestCase):
    def test_no_two_shapes_of_the_api_have_one_name(self):
        """The later would stand for both in the description, without a word."""
        import_module("dace.project.api")
        found: dict[str, set[str]] = {}
        left: list[type[BaseModel]] = [BaseModel]
        while left:
            for one in left.pop().__subclasses__():
                left.append(one)
                if one.__module__.startswith("dace."):
                    found.setdefault(one.__name__, set()).add(one.__module__)
        self.assertGreater(len(found), 300)
        self.assertEqual({name: at for name, at in found.items() if len(at) > 1}, {})
