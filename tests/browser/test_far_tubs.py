"""The house's server is killed while somebody is out by the far tubs, and begun again."""

from __future__ import annotations

from typing import Any
from unittest import skipUnless

from django.test import TransactionTestCase
from playwright.sync_api import expect

from tests.api.base import Asking, new_id
from tests.browser.base import PHONE, WAITS_MS, one_page
from tests.core import counts
from tests.served import Served

LATER = "2026-07-19T17:40"
TICKS = 12


def more_tubs() -> None:
    """Five more tubs that want a feed, so that there is something to walk for."""
    asking = Asking.signed_in()
    for number in (7, 8, 9, 10, 11):
        place, fill = new_id(), new_id()
        pot = {"id": fill, "size": "15 L", "medium": "peat_free_mix", "filled_on": "2026-05-10"}
        tub = {"name": f"Quay tub {number}", "kind": "tub", "fill": pot}
        assert asking.put(f"/api/places/{place}", tub).status_code == 200
        body = {"id": new_id(), "stand_id": new_id(), "fill_id": fill, "crop": "courgette"}
        body |= {"count": 2, "started_on": "2026-06-01", "stage": "harvest"}
        reply = asking.post("/api/plantings", body)
        assert reply.status_code == 201, reply.content


@skipUnless(counts.WHOLE, "a server of its own is killed and begun again")
class Killed(TransactionTestCase):
    """A phone that is out; the server is a process of its own."""

    seconds_each = 30

    served: Served

    def _fixture_teardown(self) -> None:
        """Nothing: the garden is in a folder of its own."""

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.served = Served(LATER, more_tubs)
        cls.addClassCleanup(cls.served.end)

    def opened(self) -> Any:
        """A phone that has been in the garden, and has read ahead."""
        browser = one_page().context.browser
        assert browser is not None
        phone = browser.new_context(viewport=PHONE, reduced_motion="reduce")  # type: ignore[arg-type]
        self.addCleanup(phone.close)
        page = phone.new_page()
        page.set_default_timeout(WAITS_MS)
        page.goto(self.served.url)
        page.get_by_role("button", name="Look round Weir Yard").click()
        page.evaluate("navigator.serviceWorker.ready")
        page.reload()
        page.get_by_role("button", name="More").click()
        expect(page.get_by_text("Ready for a walk without a connection.")).to_be_visible()
        page.keyboard.press("Escape")
        return page

    def test_twelve_ticks_and_three_readings_go_in_once_and_in_order(self) -> None:
        page = self.opened()
        self.served.kill()
        page.goto(f"{self.served.url}/round")
        open_rows = page.get_by_role("button", pressed=False).filter(has=page.locator("svg rect"))
        open_rows = open_rows.filter(has_not_text="plain water")  # a stop of a can, each
        expect(open_rows.first).to_be_visible()
        self.assertGreaterEqual(open_rows.count(), TICKS)
        for _ in range(TICKS):
            open_rows.first.click()
        expect(page.get_by_text("waits to be sent")).to_have_count(TICKS)
        expect(page.get_by_text(f"{TICKS} not sent yet")).to_be_visible()
        for value in ("1.1", "1.2", "1.3"):
            page.get_by_role("button", name="Read", exact=True).click()
            sheet = page.locator("dialog[open]")
            sheet.get_by_label("The pen is in").select_option(label="what drains from Quay tub 2")
            sheet.get_by_role("textbox").first.fill(value)
            sheet.get_by_role("button", name="Write it down").click()
            expect(sheet).to_have_count(0)
        expect(page.get_by_role("button", name=f"{TICKS + 3} waiting")).to_be_visible()
        page.reload()  # the shell stands without a server, and so does what waits
        page.get_by_role("button", name=f"{TICKS + 3} waiting").click()
        cards = page.locator("dialog[open] li")
        expect(cards).to_have_count(TICKS + 3)
        cards.last.get_by_role("button", name="Put it right").click()
        cards.last.get_by_label("What the pen showed").fill("1.4")
        cards.last.get_by_role("button", name="Keep it so").click()
        expect(cards.last).to_contain_text("1.4")
        said = [text.split("\n")[0] for text in cards.all_inner_texts()]
        self.served.begin()
        page.get_by_role("button", name="Try now").click()
        expect(cards).to_have_count(0)
        page.keyboard.press("Escape")
        expect(page.get_by_text("waits to be sent")).to_have_count(0)
        ticked = self.served.rows(
            "SELECT coalesce(nullif(fill.name, ''), place.name) FROM feeding_tick tick"
            " JOIN garden_fill fill ON fill.id = tick.fill_id"
            " JOIN garden_place place ON place.id = fill.place_id ORDER BY tick.seq"
        )
        self.assertEqual([f"Tick: {name}, as planned" for (name,) in ticked], said[:TICKS])
        read = self.served.rows("SELECT value FROM measuring_reading ORDER BY seq DESC LIMIT 3")
        self.assertEqual([round(value, 1) for (value,) in read], [1.4, 1.2, 1.1])  # type: ignore[call-overload]
        expect(page.get_by_role("button", pressed=True).first).to_be_visible()

    def test_a_new_version_is_offered_and_taken_when_somebody_takes_it(self) -> None:
        page = self.opened()
        offer = page.get_by_text("A new version of Dace is here.")
        self.served.kill()
        worker = self.served.root / "sw.js"
        worker.write_text(worker.read_text(encoding="utf-8") + "\n// the next one\n", "utf-8")
        self.served.begin()
        page.evaluate("navigator.serviceWorker.getRegistration().then((one) => one.update())")
        expect(offer).to_be_visible()
        page.get_by_role("button", name="Later").click()
        expect(offer).to_have_count(0)
        page.reload()
        expect(offer).to_be_visible()
        with page.expect_navigation():
            page.get_by_role("button", name="Take it").click()
        expect(page.get_by_role("heading", level=1)).to_be_visible()
        expect(offer).to_have_count(0)
        waits = "navigator.serviceWorker.getRegistration().then((one) => Boolean(one.waiting))"
        self.assertFalse(page.evaluate(waits))
