"""Debian's Chromium on a served Weir Yard, watched for errors and for requests that leave."""

from __future__ import annotations

import atexit
import os
import re
from functools import cache
from typing import Any, ClassVar
from urllib.parse import urlsplit

from django.conf import settings
from django.contrib.sessions.models import Session
from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from playwright.sync_api import Page, expect, sync_playwright

from tests.browser.busy import BUSY
from tests.gardens import nothing, stand_in, visited
from tools.chromium import ARGUMENTS

AXE = "web/node_modules/axe-core/axe.min.js"
DESKTOP, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}
WAITS_MS = 45_000  # a machine with other work to do is slow
GRAVE = ("serious", "critical")


@cache
def one_page() -> Page:
    """One for all tests of a process: a fresh window costs more than most of them."""
    # Playwright's loop runs in this thread; the server has its own.
    os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
    playwright = sync_playwright().start()
    browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=ARGUMENTS)
    atexit.register(playwright.stop)
    atexit.register(browser.close)
    # a worker that keeps the shell would keep it from one test to the next
    page = browser.new_page(reduced_motion="reduce", service_workers="block")
    page.set_default_timeout(WAITS_MS)
    expect.set_options(timeout=WAITS_MS)
    return page


class BrowserCase(StaticLiveServerTestCase):
    """Each test begins outside, known to nobody.

    It fails on a console error or a foreign request.
    """

    seconds_each = 7
    viewport: ClassVar[dict[str, int]] = DESKTOP
    page: Page

    @classmethod
    def tearDownClass(cls) -> None:
        super().tearDownClass()
        stand_in(nothing)

    def _fixture_teardown(self) -> None:
        """Nothing: every test begins with the garden put back."""

    def setUp(self) -> None:
        stand_in(visited)
        self.addCleanup(BUSY.wait)  # the last of all: further phones are closed by then
        self.page = one_page()
        self.page.set_viewport_size(self.viewport)  # type: ignore[arg-type]
        self.troubles: list[str] = []
        self.foreign: list[str] = []
        for event, heard in self._ears().items():
            self.page.on(event, heard)  # type: ignore[call-overload]

    def tearDown(self) -> None:
        if self.page.url != "about:blank":
            self.page.evaluate("localStorage.clear(); sessionStorage.clear()")
            self.page.goto("about:blank")
        BUSY.wait()
        self.page.unroute_all()
        self.page.context.clear_cookies()
        for event, heard in self._ears().items():
            self.page.remove_listener(event, heard)
        self.assertEqual(self.foreign, [])
        # an answer of 4xx is logged by the browser itself; anything else is ours
        ours = [
            text for text in self.troubles if "the server responded with a status of 4" not in text
        ]
        self.assertEqual(ours, [])

    def _ears(self) -> dict[str, Any]:
        return {"console": self._console, "pageerror": self._error, "request": self._watch}

    def _console(self, message: Any) -> None:
        if message.type == "error":
            self.troubles.append(message.text)

    def _error(self, error: Any) -> None:
        self.troubles.append(str(error))

    def _watch(self, request: Any) -> None:
        host = urlsplit(request.url.removeprefix("blob:")).netloc
        if host != urlsplit(self.live_server_url).netloc:
            self.foreign.append(request.url)

    def press(self, name: str, role: str = "button") -> None:
        self.page.get_by_role(role, name=name).first.click()  # type: ignore[arg-type]

    def from_menu(self, of: str, act: str) -> None:
        """One act from the menu of a card."""
        self.press(f"More: {of}")
        self.press(f"{act}: {of}")

    def at_the_door(self) -> None:
        self.page.goto(self.live_server_url)

    def look_round(self, desk: str = "bench") -> None:
        """At a desk of the demo garden, as somebody who came in before."""
        key = Session.objects.get().session_key
        self.page.context.add_cookies(
            [{"name": settings.SESSION_COOKIE_NAME, "value": key, "url": self.live_server_url}]
        )
        self.page.goto(f"{self.live_server_url}/{desk}")
        path = self.page.get_by_label("Along the path")
        expect(path.get_by_role("button", name="Quay tub 2")).to_be_visible()

    def stop(self, name: str) -> str:
        """The id of a stop in this visitor's copy."""
        stops = self.page.evaluate("fetch('/api/path').then(r => r.json())")["stops"]
        return next(str(stop["id"]) for stop in stops if stop["name"] == name)

    def choose(self, stop: str) -> None:
        self.page.get_by_label("Along the path").get_by_role("button", name=stop).click()

    def at_the_bench(self, spot: str) -> None:
        """The Bench is about this spot, in its verdict's words."""
        expect(self.page.get_by_role("heading", level=1)).to_contain_text(f"{spot}: ")

    def feed_anyway(self) -> None:
        """The can comes out to be changed, also where the verdict asks for none."""
        slider = self.page.get_by_role("slider").last  # a brew at the bottom stands before it
        out = self.page.get_by_role("button", name=re.compile("Write down a feed anyway|Change it"))
        expect(slider.or_(out)).to_be_visible()
        if out.count():
            out.click()
        expect(slider).to_be_visible()

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
