"""A trial from its coins to a verdict that says no more than it can."""

import re
from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.base import DESKTOP, PHONE, BrowserCase


class Trials(BrowserCase):
    viewport: ClassVar[dict[str, int]] = DESKTOP

    def test_from_the_coins_to_cannot_tell(self):
        self.look_round("trials")
        self.page.get_by_role("link", name="Does Fruiting liquid").click()
        expect(self.page.get_by_role("heading", name="Cannot tell yet")).to_be_visible()
        expect(self.page.get_by_role("img", name="Gain")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.press("End it, the unfed stay unfed")
        expect(self.page.get_by_role("button", name="Measure each pot")).to_have_count(0)
        self.page.get_by_role("link", name="All trials").click()
        self.press("Begin a trial")
        sheet = self.page.get_by_role("dialog")
        expect(sheet.get_by_text("With three pairs not even a large difference")).to_be_visible()
        sheet.get_by_label("The feed").fill("nettle soak")
        sheet.get_by_role("button", name="Toss the coins").click()
        expect(self.page.get_by_role("heading", name="Nothing measured yet")).to_be_visible()
        expect(self.page.get_by_text("The coins say: fed are")).to_be_visible()
        self.press("Measure each pot")
        for pot in range(1, 7):
            sheet.get_by_label(f"Pot {pot}").fill("" if pot == 6 else str(100 + pot))
        sheet.get_by_role("button", name="Write it down").click()
        expect(self.page.get_by_role("heading", name="Cannot tell yet")).to_be_visible()
        expect(self.page.get_by_text(", 2 pairs.")).to_be_visible()  # the sixth is not known
        self.press("Leave a pot out")
        sheet.get_by_label("What befell it").fill("slugs")
        sheet.get_by_role("button", name="Leave it out").click()
        expect(self.page.get_by_text(", 1 pair.")).to_be_visible()


class OnThePhone(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def test_the_round_leads_to_what_a_trial_wants(self):
        self.look_round("round")
        self.page.get_by_role("link", name=re.compile("^Trial: .* measure each pot")).click()
        self.press("Measure each pot")
        expect(self.page.get_by_label("Pot 1")).to_be_visible()
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, PHONE["width"])
        self.assert_axe_finds_nothing_grave()
