"""The Round by thumb and by keyboard, and what is to come on the Season."""

import re
import uuid
from datetime import date
from typing import ClassVar
from unittest import mock

from django.contrib.sessions.models import Session
from playwright.sync_api import Page, expect

from dace.garden.models import Fill
from dace.garden.placing import NewFill, NewPlace, save_place
from dace.garden.planting import NewPlanting, plant
from dace.garden.reads import garden_of
from dace.households import clock
from dace.households.models import Membership
from dace.households.scope import Scope
from tests.browser.base import DESKTOP, PHONE, BrowserCase
from tests.browser.words import words_of
from tests.core import counts
from tests.demo.days import DAYS, evening


class ByThumb(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def test_two_presses_to_the_first_tick_half_left_out_and_undone(self):
        self.at_the_door()
        self.press("Look round Weir Yard")
        row = self.page.get_by_role("button", name="Quay tub 1", exact=False).and_(
            self.page.locator(".tick")
        )
        row.click()  # the second press since the door
        expect(row).to_have_attribute("aria-pressed", "true")
        expect(row).to_contain_text("6 L poured")
        expect(self.page.get_by_role("button", name="Undo", exact=True)).to_be_visible()
        self.press("other amount for Quay tub 3")
        self.press("Half")
        third = self.page.locator(".tick").filter(has_text="Quay tub 3")
        expect(third).to_contain_text("half, 3 L poured")
        self.press("other amount for Step, fed pots")
        self.press("Leave it out this time")
        expect(self.page.get_by_text("left out").first).to_be_visible()
        row.click()  # pressed again it is taken back
        expect(row).to_have_attribute("aria-pressed", "false")
        expect(row).to_contain_text("1.5 L each")
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, PHONE["width"])
        self.assert_axe_finds_nothing_grave()

    def test_a_walk_goes_stop_by_stop_and_each_is_one_press(self):
        self.at_the_door()
        self.press("Look round Weir Yard")
        self.press("Walk", role="link")
        walk = self.page.get_by_role("region", name="Walk")
        expect(walk.get_by_role("heading", name="Quay tub 1")).to_be_visible()
        expect(walk.get_by_text("1.5 L each")).to_be_visible()
        expect(walk.get_by_text("Fill can A")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        done = walk.get_by_role("button", name="Done")
        halts = set()
        for _ in range(3):
            halts.add(walk.get_by_role("heading", level=1).inner_text())
            done.click()
        self.assertEqual(len(halts), 3)
        self.page.keyboard.press("]")
        expect(walk.get_by_role("heading", level=1)).not_to_have_text("Quay tub 1")
        self.page.keyboard.press("Escape")
        expect(self.page.get_by_role("button", name="Undo", exact=True)).to_be_visible()
        first = self.page.locator(".tick").first
        expect(first).to_have_attribute("aria-pressed", "true")

    def test_few_words_the_first_tick_above_the_fold_three_screens_at_most(self):
        self.look_round("round")
        expect(self.page.get_by_text("Tomorrow and the week")).to_be_visible()
        seen, _ = words_of(self.page)
        self.assertLessEqual(seen, 60)
        tick = self.page.locator(".tick").first.bounding_box()
        self.assertLess(tick["y"] + tick["height"], PHONE["height"] - 64)


class ByKeyboard(BrowserCase):
    viewport: ClassVar[dict[str, int]] = DESKTOP

    def test_few_words_through_the_year(self):
        for day in DAYS if counts.WHOLE else DAYS[2:4]:
            with (
                self.subTest(day),
                mock.patch("dace.households.clock.now", return_value=evening(day)),
            ):
                self.look_round("round")
                expect(self.page.get_by_role("heading", level=1)).not_to_have_text("Today")
                self.page.wait_for_load_state("networkidle")
                seen, whole = words_of(self.page)
                self.assertLessEqual(seen, 120, self.page.locator("main").inner_text())
                self.assertLessEqual(whole, 350)

    def test_five_stops_are_five_presses_of_one_key(self):
        self.look_round("round")
        ticks = self.page.locator(".tick")
        expect(ticks.first).to_be_focused()
        for _ in range(5):
            self.page.keyboard.press("Enter")
        expect(self.page.locator(".tick[aria-pressed=true]")).to_have_count(5)

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
        wall = self.page.get_by_role("region", name="Is it at first fruit yet?")
        asked = wall.get_by_role("button", name="Yes")
        asked.focus()
        self.page.keyboard.press("Enter")
        expect(wall).to_have_count(0)
        self.page.get_by_text("Tomorrow and the week").click()
        expect(self.page.get_by_text("It is fed ").first).to_be_visible()
        self.assert_axe_finds_nothing_grave()

    def test_a_can_is_read_before_it_is_poured(self):
        self.look_round("round")
        can = self.page.get_by_role("region", name="Can A")
        can.get_by_role("button", name="read the can").click()
        box = self.page.get_by_role("textbox", name="It shows")
        expect(box).to_be_visible()
        box.fill("2.4")
        self.press("Write it down")
        expect(can.get_by_role("button", name="undo the can")).to_be_visible()
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


def thirty_stops():
    """The visitor's garden with 21 tubs more, which stand in one tunnel."""
    member = Membership.objects.get(user_id=Session.objects.get().get_decoded()["_auth_user_id"])
    scope = Scope(member.household_id, member.user_id, clock.now())
    garden = garden_of(scope)
    for number in range(21):
        tub = NewPlace(f"Tunnel {number + 1}", "tub", covered=True, area="Tunnel")
        fill_id = uuid.uuid4()
        filled = (fill_id, NewFill("old_mix", date(2026, 4, 1), volume_l=25))
        save_place(scope, garden, uuid.uuid4(), tub, filled)
        stands = ((uuid.uuid4(), Fill.objects.get(pk=fill_id), 2),)
        grown = NewPlanting(
            uuid.uuid4(), garden, "chilli", date(2026, 3, 1), "flowering", date(2026, 7, 12), stands
        )
        plant(scope, grown)


class ThirtyStops(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def test_they_are_no_longer_than_twelve_and_said_in_as_few_words(self):
        thirty_stops()
        self.look_round("round")
        tunnel = self.page.get_by_role("button", name=re.compile("Tunnel"))
        expect(tunnel.first).to_be_visible()
        self.page.wait_for_load_state("networkidle")
        self.assertLessEqual(words_of(self.page)[0], 60, self.page.locator("main").inner_text())
        tick = self.page.locator(".tick").first.bounding_box()
        self.assertLess(tick["y"] + tick["height"], PHONE["height"] - 64)
        desk = self.page.locator("#desk").bounding_box()
        self.assertLessEqual(desk["height"], 3 * PHONE["height"])
        self.page.set_viewport_size(DESKTOP)
        seen, whole = words_of(self.page)
        self.assertLessEqual(seen, 120, self.page.locator("main").inner_text())
        self.assertLessEqual(whole, 350)
        self.page.goto(f"{self.live_server_url}/bench")
        self.choose("Tunnel 21")
        self.at_the_bench("Tunnel 21")
        self.page.wait_for_load_state("networkidle")
        seen, whole = words_of(self.page)
        self.assertLessEqual(seen, 120, self.page.locator("main").inner_text())
        self.assertLessEqual(whole, 250)


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
        row = self.page.locator(".tick").filter(has_text="Quay tub 1")
        expect(row).to_have_attribute("aria-pressed", "false")
        theirs = self.other_phone().locator(".tick").filter(has_text="Quay tub 1")
        theirs.click()
        expect(theirs).to_contain_text("6 L poured")
        row.click()
        expect(self.page.get_by_text("Quay tub 1, which is ticked already").first).to_be_visible()
        # and a round that was left open reads what was done when somebody comes back to it
        other = self.other_phone()
        their_third = other.locator(".tick").filter(has_text="Quay tub 3")
        their_third.click()
        expect(their_third).to_contain_text("poured")
        self.page.evaluate("window.dispatchEvent(new Event('focus'))")
        third = self.page.locator(".tick").filter(has_text="Quay tub 3")
        expect(third).to_have_attribute("aria-pressed", "true")
