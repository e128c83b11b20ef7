"""A crop is cleared and another follows; somebody goes away and comes back: by thumb."""

import re

from playwright.sync_api import expect

from tests.browser.base import PHONE, BrowserCase


class RoundTheYear(BrowserCase):
    viewport = PHONE

    def dialog(self, name):
        return self.page.get_by_role("dialog", name=re.compile(name))

    def test_chard_is_cleared_its_stalks_heaped_and_turnips_follow(self):
        self.look_round("season")
        self.page.get_by_role("button", name=re.compile("Chard")).first.click()
        self.press("All about this planting", role="link")
        self.press("This crop is over")
        box = self.dialog("Clear the chard")
        box.get_by_label("Picked at the end, g").fill("900")
        box.get_by_label("Stalks go on").select_option(label="Mill heap")
        self.assert_axe_finds_nothing_grave()
        box.get_by_role("button", name="Cleared").click()
        after = self.dialog("What follows")
        expect(after.get_by_role("button", name="Sow Turnip")).to_be_visible()
        expect(after.get_by_role("button", name="Sow Beetroot")).to_have_count(0)
        self.assert_axe_finds_nothing_grave()
        after.get_by_label("How many plants").fill("6")
        after.get_by_role("button", name="Sow Turnip").click()
        expect(after).to_have_count(0)
        self.page.goto(f"{self.live_server_url}/setup")
        expect(self.page.get_by_text("6 turnips")).to_be_visible()

    def test_two_weeks_away_are_planned_and_taken_back(self):
        self.look_round("season")
        self.page.get_by_role("button", name="Away", exact=True).click()
        box = self.dialog("Away")
        box.get_by_label("From").fill("2026-07-20")
        box.get_by_label("To, and with").fill("2026-07-10")
        box.get_by_role("button", name="Plan it so").click()
        expect(box.get_by_text("a day that is no earlier would do")).to_be_visible()
        box.get_by_label("To, and with").fill("2026-08-02")
        box.get_by_label("Who waters?").select_option("drip")
        box.get_by_role("button", name="Plan it so").click()
        line = self.page.get_by_text("Away 20 July to 2 August: it waters itself.")
        expect(line).to_be_visible()
        self.page.goto(f"{self.live_server_url}/round")
        expect(line).to_be_visible()
        self.page.goto(f"{self.live_server_url}/season")
        self.press("Not away after all")
        expect(line).to_have_count(0)

    def test_the_year_is_looked_back_at_and_the_next_accepted_in_a_press(self):
        self.look_round("year")
        expect(self.page.get_by_role("heading", name="What to do otherwise")).to_be_visible()
        chard = self.page.get_by_role("button", name=re.compile("Yes.*12 chard plants"))
        chard.click()
        meant = self.page.get_by_role("region", name="Meant to be sown")
        expect(meant.get_by_text("12 chard plants", exact=True).first).to_be_visible()
        expect(chard).to_have_count(0)
        self.assert_axe_finds_nothing_grave()
        meant.get_by_role("button", name="Drop 12 chard plants").click()
        expect(chard).to_be_visible()

    def test_seedlings_are_hardened_off_in_a_press_and_a_cold_night_is_covered(self):
        self.look_round("round")
        row = self.page.get_by_role("button", name=re.compile("^Harden off"))
        row.click()
        expect(row).to_have_count(0)
        self.page.get_by_text("Tomorrow and the week").click()
        self.press("Cold tonight?")
        box = self.dialog("Tonight")
        box.get_by_label("Lowest tonight").fill("1 °C")
        box.get_by_role("button", name="Keep it").click()
        night = self.page.get_by_role("region", name="1 °C tonight")
        expect(night).to_contain_text("cover or bring in")
        night.get_by_role("button", name="Another low").click()
        box = self.dialog("Tonight")
        box.get_by_label("Lowest tonight").fill("cold")
        box.get_by_role("button", name="Keep it").click()
        expect(box.get_by_text("18 °C or 64 °F would do")).to_be_visible()
        box.get_by_label("Lowest tonight").fill("2")
        self.assert_axe_finds_nothing_grave()
        box.get_by_role("button", name="Keep it").click()
        night = self.page.get_by_role("region", name="2 °C tonight")
        night.get_by_role("button", name="Covered").click()
        expect(night).to_have_count(0)
