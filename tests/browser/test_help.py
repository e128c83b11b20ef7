"""The guide inside Dace, and the practice can."""

from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.base import PHONE, BrowserCase


class Guide(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def test_page_after_page_with_pictures_of_our_own_to_the_practice_can(self):
        self.look_round("help")
        pages = self.page.get_by_label("Pages of the guide").get_by_role("link")
        expect(pages.first).to_be_visible()
        for _ in range(pages.count() - 1):
            self.page.wait_for_load_state("networkidle")
            broken = self.page.evaluate(
                "[...document.images].filter((one) => one.complete && !one.naturalWidth).length"
            )
            self.assertEqual(broken, 0)
            self.page.get_by_role("link", name="Next: ").click()
        expect(self.page.get_by_role("heading", level=1)).to_have_text("Help: A practice can")
        self.page.get_by_label("Look for").fill("dry roots burns")
        hits = self.page.locator(".hits").get_by_role("listitem")
        expect(hits).to_have_count(1)
        hits.get_by_role("link", name="What often goes wrong").click()
        expect(self.page.get_by_role("heading", level=1)).to_have_text(
            "Help: What often goes wrong"
        )
        pages.last.click()
        self.page.get_by_label("Your answer").fill("a lot")
        self.press("Look")
        expect(self.page.get_by_text("a number such as 45")).to_be_visible()
        self.page.get_by_label("Your answer").fill("1")
        self.press("Look")
        expect(self.page.get_by_text("0 of 1 at the first go")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
