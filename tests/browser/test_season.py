"""The season as a gardener reads it: a strip, what was seen, what is short, a dry feed."""

from playwright.sync_api import expect

from tests.browser.base import BrowserCase


class Season(BrowserCase):
    def at_season(self):
        self.look_round()
        self.page.keyboard.press("4")
        expect(self.page.get_by_role("heading", name="The season")).to_be_visible()

    def row(self, name):
        # a strip says its stage after its place; the feeds to come are buttons too
        return self.page.locator(".chart li button").filter(has_text=name)

    def test_a_strip_opens_to_need_and_supply_and_a_sighting_takes_two_presses(self):
        self.at_season()
        self.row("Runner bean").click()
        expect(self.page.get_by_text("finger-nail-long flat pods").first).to_be_visible()
        expect(self.page.get_by_role("img", name="nitrogen: need")).to_be_visible()
        self.press("I see a change")
        self.press("Finger-nail-long flat pods")
        summary = self.page.locator(".summary")
        expect(summary.get_by_text("at first fruit", exact=True)).to_be_visible()
        self.press("Undo")
        expect(summary.get_by_text("at first fruit?", exact=True)).to_be_visible()

    def test_an_older_look_that_says_otherwise_is_asked_about(self):
        self.at_season()
        self.row("Chilli pepper Quay tub 3").click()
        self.press("I see a change")
        self.page.get_by_role("dialog").get_by_role("button", name="in flower").click()
        expect(self.page.get_by_role("alert")).to_contain_text("you saw it at first fruit")
        self.press("Yes, set the older look aside")
        summary = self.page.locator(".summary")
        expect(summary.get_by_text("in flower", exact=True)).to_be_visible()

    def test_a_top_dressing_is_worked_out_logged_and_undone(self):
        self.at_season()
        self.row("Leek").click()
        self.press("Give a dry feed")
        dialog = self.page.get_by_role("dialog")
        dialog.get_by_label("How much").fill("a handful per plant")
        # 30 handfuls of 80 mL at .68 g/mL
        expect(dialog.get_by_text("1.63 kg in all")).to_be_visible()
        expect(dialog.get_by_text("were it 5 °C cooler")).to_be_visible()
        dialog.get_by_label("How much").fill("as much as you like")
        expect(dialog.get_by_text("Read “as much as you like”")).to_be_visible()
        dialog.get_by_label("How much").fill("70 g/m2")
        expect(dialog.get_by_text("147 g in all")).to_be_visible()
        dialog.get_by_role("button", name="Log it").click()
        expect(self.page.get_by_text("147 g of Pelleted poultry manure")).to_be_visible()
        self.press("Undo")

    def test_the_planting_page_holds_stages_history_and_successions(self):
        self.at_season()
        self.row("Lettuce").click()
        self.press("All about this planting", "link")
        expect(self.page.get_by_role("heading", name="24 lettuces, Loft sill")).to_be_visible()
        expect(self.page.locator("[aria-current=step]")).to_contain_text("seedling")
        self.press("Sown again today")
        expect(self.page.get_by_text("Lettuce sown again")).to_be_visible()
        self.assert_axe_finds_nothing_grave()

    def test_by_keyboard_alone(self):
        self.at_season()
        self.row("Chard").focus()
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("heading", name="The season: Sluice bed")).to_be_visible()
        self.row("Chard").focus()
        self.page.keyboard.press("ArrowUp")
        expect(self.row("Leek")).to_be_focused()
        expect(self.page.get_by_text("30 leeks", exact=True)).to_be_visible()
        self.page.get_by_role("button", name="how?").first.focus()
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("complementary")).to_contain_text("where it stands")
        self.assert_axe_finds_nothing_grave()

    def test_own_weather_is_read_or_its_line_is_named(self):
        self.at_season()
        self.press("Own weather")
        self.page.get_by_role("textbox").fill("2026-07-12, 10, 20, 0\nyesterday, 10, 20")
        self.press("Keep these days")
        expect(self.page.get_by_role("alert")).to_contain_text("line 2")
        self.page.get_by_role("textbox").fill("2026-07-12, 10, 20, 0")
        self.press("Keep these days")
        expect(self.page.get_by_text("1 days of your own weather")).to_be_visible()
