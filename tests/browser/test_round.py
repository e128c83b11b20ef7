"""The Round by thumb and by keyboard, and what is to come on the Season."""

import re
from typing import ClassVar

from playwright.sync_api import Page, expect

from tests.browser.base import DESKTOP, PHONE, BrowserCase


class ByThumb(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def test_two_presses_to_the_first_tick_half_left_out_and_undone(self):
        self.at_the_door()
        self.press("Look round Weir Yard")
        row = self.page.get_by_role("button", name="Quay tub 1 4 aubergines")
        row.click()  # the second press since the door
        expect(row).to_have_attribute("aria-pressed", "true")
        expect(row).to_contain_text("6 L poured")
        expect(self.page.get_by_role("button", name="Undo", exact=True)).to_be_visible()
        self.press("other amount for Quay tub 3")
        self.press("Half")
        third = self.page.get_by_role("button", name="Quay tub 3 6 chilli")
        expect(third).to_contain_text("half, 3 L poured")
        self.press("other amount for Step, fed pots")
        self.press("Leave it out this time")
        expect(self.page.get_by_text("left out").first).to_be_visible()
        row.click()  # pressed again it is taken back
        expect(row).to_have_attribute("aria-pressed", "false")
        expect(row).to_contain_text("4 × 1.5 L")
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, PHONE["width"])
        self.assert_axe_finds_nothing_grave()


class ByKeyboard(BrowserCase):
    viewport: ClassVar[dict[str, int]] = DESKTOP

    def test_a_can_is_ticked_a_pour_flushed_and_a_question_answered(self):
        self.at_the_door()
        self.press("Look round Weir Yard")
        expect(self.page.get_by_role("heading", level=1)).to_contain_text("a flush")
        row = self.page.get_by_role("button", name="Cold frame, melon 2 melons")
        row.focus()
        self.page.keyboard.press("Enter")
        expect(row).to_have_attribute("aria-pressed", "true")
        # Shown at once, and then again as it was kept: blocks may change places until then.
        expect(row).to_contain_text("poured")
        pour = self.page.get_by_role("button", name=re.compile("^Pour .* of rain butt$"))
        pour.focus()
        self.page.keyboard.press("Enter")
        expect(pour).to_have_count(0)
        self.page.keyboard.press("u")
        expect(pour).to_be_visible()
        asked = self.page.get_by_label("Look: Wall bed").get_by_role("button", name="Yes")
        asked.focus()
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_label("Look: Wall bed")).to_have_count(0)
        self.page.get_by_text("Tomorrow and the week").click()
        expect(self.page.get_by_text("It is fed ").first).to_be_visible()
        self.assert_axe_finds_nothing_grave()

    def test_a_can_is_read_before_it_is_poured(self):
        self.look_round("round")
        can = self.page.get_by_role("region", name="Can A")
        can.get_by_role("button", name="Read the can").click()
        box = self.page.get_by_role("textbox", name="It shows")
        expect(box).to_be_visible()
        box.fill("2.4")
        self.press("Write it down")
        expect(can.get_by_text("Mixed: it stands there")).to_be_visible()
        stirred = can.get_by_role("button", name="I stirred in")
        expect(stirred).to_be_visible()
        stirred.click()
        expect(stirred).to_have_count(0)

    def test_hollow_drops_say_why_and_two_futures_stand_side_by_side(self):
        self.look_round("season")
        self.choose("Quay tub 3")
        coming = self.page.get_by_label("To come", exact=True)
        coming.get_by_role("button", name="why?").first.click()
        expect(self.page.get_by_text("It is fed ")).to_be_visible()
        self.assertGreater(self.page.locator("g.coming").count(), 3)
        self.press("Try it out first")
        self.page.get_by_label("The weather from here on").select_option("cool")
        self.page.get_by_label("How often").last.select_option("fortnightly")
        self.page.get_by_label("How strong").last.select_option("2")
        self.page.get_by_role("button", name="Try it out", exact=True).click()
        after = self.page.get_by_role("region", name="Tried out")
        expect(after).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        before = self.page.get_by_role("region", name="As it stands")
        self.assertNotEqual(before.inner_text(), after.inner_text())
        strong = self.page.get_by_label("How strong").last
        strong.select_option("0.5")  # another question: what was shown is no answer to it
        expect(after).to_have_count(0)
        expect(self.page.get_by_role("button", name="Keep what was tried out")).to_have_count(0)
        strong.select_option("2")
        self.page.get_by_role("button", name="Try it out", exact=True).click()
        expect(after).to_be_visible()
        self.press("Keep what was tried out")
        expect(self.page.get_by_role("dialog")).to_have_count(0)
        self.press("Calendar")
        self.press("Make a private address")
        expect(self.page.get_by_label("Its address")).to_be_visible()
        self.press("Revoke the address")
        expect(self.page.get_by_label("Its address")).to_have_count(0)


class TwoPhones(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def other_phone(self) -> Page:
        """Somebody else of the same garden, with her own page."""
        browser = self.page.context.browser
        assert browser is not None
        context = browser.new_context(viewport=PHONE, service_workers="block")  # type: ignore[arg-type]
        self.addCleanup(context.close)
        context.add_cookies(self.page.context.cookies())  # type: ignore[arg-type]
        other = context.new_page()
        other.goto(f"{self.live_server_url}/round")
        return other

    def test_a_tub_that_another_phone_fed_is_not_fed_again_unsaid(self):
        self.look_round("round")
        row = self.page.get_by_role("button", name="Quay tub 1 4 aubergines")
        expect(row).to_have_attribute("aria-pressed", "false")
        theirs = self.other_phone().get_by_role("button", name="Quay tub 1 4 aubergines")
        theirs.click()
        expect(theirs).to_contain_text("6 L poured")
        row.click()
        expect(self.page.get_by_text("Quay tub 1, which is ticked already").first).to_be_visible()
        # and a round that was left open reads what was done when somebody comes back to it
        other = self.other_phone()
        other.get_by_role("button", name="Quay tub 3 6 chilli").click()
        expect(other.get_by_role("button", name="Quay tub 3 6 chilli")).to_contain_text("poured")
        self.page.evaluate("window.dispatchEvent(new Event('focus'))")
        third = self.page.get_by_role("button", name="Quay tub 3 6 chilli")
        expect(third).to_have_attribute("aria-pressed", "true")
