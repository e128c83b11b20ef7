"""Debian's Chromium on a served Weir Yard, watched for errors and for requests that leave."""

from __future__ import annotations

import atexit
import os
from functools import cache
from typing import Any, ClassVar
from urllib.parse import urlsplit

from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from playwright.sync_api import Browser, Page, expect, sync_playwright

from dace.demo import weir_yard
from tests.gardens import nothing, stand_in
from tools.chromium import ARGUMENTS

AXE = "web/node_modules/axe-core/axe.min.js"
DESKTOP, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}
GRAVE = ("serious", "critical")


@cache
def chromium() -> Browser:
    """One for all tests of a process."""
    playwright = sync_playwright().start()
    browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=ARGUMENTS)
    atexit.register(playwright.stop)
    atexit.register(browser.close)
    return browser


class BrowserCase(StaticLiveServerTestCase):
    """One page for each test; it fails on a console error or a foreign request."""

    browser: ClassVar[Browser]
    viewport: ClassVar[dict[str, int]] = DESKTOP
    page: Page

    @classmethod
    def setUpClass(cls) -> None:
        # Playwright's loop runs in this thread; the server has its own.
        os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
        super().setUpClass()
        cls.browser = chromium()
        expect.set_options(timeout=10_000)

    @classmethod
    def tearDownClass(cls) -> None:
        super().tearDownClass()
        stand_in(nothing)

    def _fixture_teardown(self) -> None:
        """Nothing: every test begins with the garden put back."""

    def setUp(self) -> None:
        stand_in(weir_yard.build)
        self.context = self.browser.new_context(viewport=self.viewport)
        self.page = self.context.new_page()
        self.troubles: list[str] = []
        self.foreign: list[str] = []
        self.page.on("console", lambda m: m.type == "error" and self.troubles.append(m.text))
        self.page.on("pageerror", lambda e: self.troubles.append(str(e)))
        self.page.on("request", self._watch)
        self.page.goto(self.live_server_url)

    def tearDown(self) -> None:
        self.context.close()
        self.assertEqual(self.foreign, [])
        # an answer of 4xx is logged by the browser itself; anything else is ours
        ours = [
            text for text in self.troubles if "the server responded with a status of 4" not in text
        ]
        self.assertEqual(ours, [])

    def _watch(self, request: Any) -> None:
        host = urlsplit(request.url).netloc
        if host != urlsplit(self.live_server_url).netloc:
            self.foreign.append(request.url)

    def press(self, name: str, role: str = "button") -> None:
        self.page.get_by_role(role, name=name).first.click()  # type: ignore[arg-type]

    def look_round(self) -> None:
        self.press("Look round Weir Yard")
        expect(self.page.get_by_role("button", name="Quay tub 2")).to_be_visible()

    def choose(self, stop: str) -> None:
        self.page.get_by_label("Along the path").get_by_role("button", name=stop).click()

    def box(self, label: str) -> Any:
        return self.page.get_by_role("textbox", name=label, exact=True)

    def assert_axe_finds_nothing_grave(self) -> None:
        self.page.evaluate("document.getAnimations().forEach(a => a.finish())")
        with open(AXE, encoding="utf-8") as script:
            # evaluated from outside the page, so the content policy stays as it is
            self.page.evaluate(script.read())
        found = self.page.evaluate("axe.run().then(r => r.violations)")
        grave = [f"{v['id']}: {v['nodes'][0]['html'][:140]}" for v in found if v["impact"] in GRAVE]
        self.assertEqual(grave, [])
