"""A drain that reads too salty, and the flush that follows, in the browser."""

from playwright.sync_api import expect

from tests.browser.base import BrowserCase


class Roots(BrowserCase):
    def at_tub_2(self):
        self.look_round()
        self.page.get_by_label("Along the path").get_by_role("button", name="Quay tub 2").click()
        self.press("What the roots say", "link")
        expect(self.page.get_by_role("heading", name="Quay tub 2")).to_be_visible()

    def read(self, value):
        self.page.keyboard.press("r")
        sheet = self.page.get_by_role("dialog")
        sheet.get_by_label("The pen is in").select_option(label="what drains from Quay tub 2")
        sheet.get_by_label("It shows").fill(value)
        expect(sheet.get_by_role("status")).to_contain_text("aubergine in flower likes 1.3 to 2.6")
        sheet.get_by_role("button", name="Write it down").click()

    def test_the_pen_is_taken_to_be_in_what_the_page_is_about(self):
        self.at_tub_2()
        sheet = self.page.get_by_role("dialog")
        for ask in (lambda: self.press("Read the drain"), lambda: self.page.keyboard.press("r")):
            ask()
            chosen = sheet.get_by_label("The pen is in").locator("option:checked")
            expect(chosen).to_have_text("what drains from Quay tub 2")
            self.page.keyboard.press("Escape")
            expect(sheet).to_have_count(0)
        self.page.goto(f"{self.live_server_url}/notebook")
        # The list comes after the buttons and moves them.
        expect(self.page.get_by_role("button", name="Undo").first).to_be_visible()
        self.press("Write down a reading")
        expect(sheet.get_by_label("The pen is in").locator("option:checked")).to_contain_text("can")

    def test_a_salty_drain_is_flushed_in_goes(self):
        self.at_tub_2()
        self.read("4.6")
        card = self.page.get_by_role("region", name="Flush")
        expect(card).to_contain_text("from the rain butt")
        expect(self.page.get_by_text("Flush: rain butt").first).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        card.get_by_role("button", name="Poured").click()
        expect(card.get_by_role("listitem").filter(has_text="poured")).to_have_count(1)
        self.press("Undo")
        expect(card.get_by_role("listitem").filter(has_text="poured")).to_have_count(0)
        card.get_by_role("button", name="how?").click()
        expect(self.page.get_by_role("complementary")).to_contain_text("to push the salts out")

    def test_a_flush_prints_what_is_to_be_poured(self):
        self.look_round()
        self.choose("Quay tub 2")
        self.at_the_bench("Quay tub 2")
        self.page.emulate_media(media="print")
        self.addCleanup(self.page.emulate_media, media="screen")
        said = self.page.locator("footer").get_by_text("Pour 5 L of rain butt")
        expect(said).to_be_visible()
        expect(self.page.get_by_text("1st pour")).to_be_visible()
        expect(self.page.get_by_role("button")).to_have_count(0)

    def test_tests_waterings_and_harvests_are_written_down(self):
        self.at_tub_2()
        self.press("pH, nitrate, moisture")
        dialog = self.page.get_by_role("dialog")
        dialog.get_by_label("It shows").fill("sour")
        dialog.get_by_role("button", name="Write it down").click()
        expect(dialog.get_by_text("Read “sour”")).to_be_visible()
        dialog.get_by_label("It shows").fill("6,2")
        dialog.get_by_role("button", name="Write it down").click()
        self.page.get_by_text("Waterings and tests written down here").click()
        expect(self.page.get_by_text("pH 6.2", exact=False).last).to_be_visible()
        self.press("Picked something")
        dialog.get_by_label("Weight").fill("450 g")
        dialog.get_by_role("button", name="Write it down").click()
        expect(self.page.get_by_text("Aubergine: 450 g")).to_be_visible()
        self.page.get_by_label("I log every watering").check()
        expect(self.page.get_by_text("Dace assumes")).to_have_count(0)

    def test_a_chart_is_a_table_one_key_away(self):
        self.at_tub_2()
        chart = self.page.get_by_role("img", name="The run-off reads")
        expect(chart).to_be_visible()
        self.page.keyboard.press("t")
        expect(chart).to_have_count(0)
        table = self.page.get_by_role("region", name="run-off").get_by_role("table")
        expect(table.get_by_role("columnheader").first).to_have_text("day")
        expect(table.get_by_role("row").filter(has_text="today")).to_have_count(1)
        self.assert_axe_finds_nothing_grave()
        self.press("Charts as charts")
        expect(table).to_have_count(0)

    def test_a_pen_tells_how_far_it_can_be_trusted(self):
        self.look_round()
        self.page.keyboard.press("r")
        self.page.get_by_role("dialog").get_by_role("link", name="About your pens").click()
        pen = self.page.get_by_role("article", name="yard pen")
        expect(pen).to_contain_text("Calibrated 25 days ago: good to about 3 %")
        self.assert_axe_finds_nothing_grave()
        pen.get_by_role("button", name="Calibrated today").click()
        expect(pen).to_contain_text("Calibrated today: good")

    def test_every_place_is_followed_and_what_wants_something_comes_first(self):
        self.look_round()
        self.page.goto(f"{self.live_server_url}/round")
        bar = self.page.get_by_role("progressbar", name="Following the salts")
        shown = []

        def answer_once_the_bar_is_seen(route):
            expect(bar).to_be_visible()
            shown.append(True)
            route.continue_()

        self.page.route("**/api/roots", answer_once_the_bar_is_seen)
        self.press("What the roots say", "link")
        expect(self.page.get_by_role("status").filter(has_text="want")).to_be_visible()
        expect(bar).to_have_count(0)
        self.assertTrue(shown)
        wanting = self.page.get_by_role("main").get_by_role("listitem").filter(has_text="Flush: ")
        expect(wanting).to_have_count(1)
        expect(wanting.get_by_role("link")).to_contain_text("Quay tub 2")
        expect(self.page.get_by_role("heading", name="Nothing today")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        wanting.get_by_role("link").click()
        expect(self.page.get_by_role("region", name="Flush")).to_be_visible()
