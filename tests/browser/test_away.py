"""Out by the far tubs without a connection: ticked, read, scored; back at the house it goes in."""

from __future__ import annotations

from typing import Any, ClassVar

from playwright.sync_api import expect

from dace.feeding.models import Tick
from dace.garden.looked import Observation
from tests.browser.base import PHONE, WAITS_MS, BrowserCase, one_page

KEPT = """async (path) => {
  const there = await indexedDB.databases();
  if (!there.some((one) => one.name === 'dace')) return false;
  return new Promise((found) => {
    const asked = indexedDB.open('dace');
    asked.onsuccess = () => {
      const store = asked.result.transaction('answers').objectStore('answers');
      store.getAllKeys().onsuccess = (event) =>
        found(event.target.result.some((key) => key.startsWith(path)));
    };
  });
}"""
WIDTH = """src => {
  const image = new Image();
  image.src = src;
  return image.decode().then(() => image.width);
}"""


class FarTubs(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def setUp(self) -> None:
        super().setUp()
        browser = one_page().context.browser
        assert browser is not None
        self.phone = browser.new_context(viewport=PHONE, reduced_motion="reduce")  # type: ignore[arg-type]
        self.addCleanup(self.phone.close)

    def opened(self) -> Any:
        """A phone that has been in the garden, and has read ahead."""
        page = self.phone.new_page()
        page.set_default_timeout(WAITS_MS)
        page.goto(self.live_server_url)
        page.get_by_role("button", name="Look round Weir Yard").click()
        page.evaluate("navigator.serviceWorker.ready")
        page.reload()
        page.get_by_role("button", name="More").click()
        expect(page.get_by_text("Ready for a walk without a connection.")).to_be_visible()
        page.keyboard.press("Escape")
        return page

    def test_what_two_phones_did_is_shown_and_not_dropped(self) -> None:
        page = self.opened()
        other = self.phone.browser.new_context(storage_state=self.phone.storage_state())  # type: ignore[union-attr]
        self.addCleanup(other.close)
        house = other.new_page()
        house.goto(f"{self.live_server_url}/round")
        seen = Observation.objects.filter(scores__colour=4).count()
        self.phone.set_offline(True)
        page.goto(f"{self.live_server_url}/round")
        row = "Quay tub 1"
        tick = "button[aria-pressed]"
        page.locator(tick).filter(has_text=row).click()
        page.get_by_role("button", name="More").click()
        page.get_by_role("button", name="How do they look?").click()
        sheet = page.locator("dialog[open]")
        sheet.get_by_role("button", name="leaf colour 4:").click()
        sheet.get_by_role("button", name="Write it down").first.click()
        expect(sheet.get_by_role("button", pressed=True)).to_have_count(0)
        page.keyboard.press("Escape")
        house.locator(tick).filter(has_text=row).click()
        expect(house.locator("button[aria-pressed=true]").filter(has_text=row)).to_be_visible()
        house.get_by_role("button", name="Undo").wait_for()
        self.phone.set_offline(False)
        page.get_by_role("button", name="waiting").click()
        page.get_by_role("button", name="Try now").click()
        card = page.locator("dialog[open] li")
        expect(card).to_have_count(1)
        expect(card).to_contain_text("ticked already")
        self.assertEqual(Tick.objects.count(), 1)
        self.assertEqual(Observation.objects.filter(scores__colour=4).count(), seen + 1)
        card.get_by_role("button", name="Do not send it").click()
        expect(page.locator("dialog[open] li")).to_have_count(0)

    def test_it_can_be_installed_and_keeps_nothing_after_signing_out(self) -> None:
        page = self.opened()
        manifest = page.evaluate(
            "fetch(document.querySelector('link[rel=manifest]').href).then(r => r.json())"
        )
        self.assertEqual((manifest["display"], manifest["scope"]), ("standalone", "/"))
        for icon in manifest["icons"]:
            size = page.evaluate(WIDTH, icon["src"])
            self.assertEqual(f"{size}x{size}", icon["sizes"])
        worker = page.evaluate("navigator.serviceWorker.getRegistration().then(r => r.scope)")
        self.assertEqual(worker, f"{self.live_server_url}/")
        page.get_by_role("button", name="More").click()
        page.get_by_role("button", name="Leave the demo").click()
        expect(page.get_by_role("button", name="Look round Weir Yard")).to_be_visible()
        self.assertFalse(page.evaluate(KEPT, "GET /api/path"))
        self.assertFalse(page.evaluate(KEPT, "GET /api/round"))
