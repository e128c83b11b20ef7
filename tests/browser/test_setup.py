"""A garden of one's own, by somebody who only presses and types what is seen."""

import re

from playwright.sync_api import expect

from tests.browser.base import PHONE, BrowserCase


class Answering(BrowserCase):
    def begin(self):
        self.at_the_door()
        self.page.get_by_label("Your name").fill("Wren")
        self.page.get_by_label("Password").fill("nine rusty trowels")
        self.page.get_by_label("What is the garden called?").fill("Back step")
        self.press("Begin")
        expect(
            self.page.get_by_role("heading", name="Back step, from the beginning")
        ).to_be_visible()

    def at_step(self, number):
        """Nobody is asked more than three things at a time."""
        expect(self.page.get_by_text(f"step {number} of")).to_be_visible()
        one = ":is(input:not([type=radio]), select, fieldset)"
        asked = self.page.locator(f"#desk form {one}").count()
        self.assertLessEqual(asked, 3)

    def go_on(self, number, last=False):
        self.press("Write it down" if last else "Next")
        if number:
            self.at_step(number)

    def in_her_measures(self):
        """No litre and no degree Celsius is to be seen."""
        seen = self.page.inner_text("body")
        metric = r"[^\n]*(?:\d ?L\b|[Ll]itre|°C|\d m2|\d m²|\d cm\b)[^\n]*"
        self.assertEqual(re.findall(metric, seen), [], self.page.url)


class Interrupted(Answering):
    def test_back_and_a_reload_keep_every_answer(self):
        self.begin()
        self.page.get_by_label("Country").select_option("Ireland")
        self.go_on(2)
        self.page.get_by_label("Temperatures in").select_option("F")
        self.go_on(3, last=True)
        self.page.get_by_label("What do you call it?").fill("By the gate")
        self.page.reload()
        self.at_step(3)
        expect(self.page.get_by_label("What do you call it?")).to_have_value("By the gate")
        self.page.go_back()
        expect(self.page.get_by_label("Temperatures in")).to_have_value("F")
        self.page.go_back()
        expect(self.page.get_by_label("Country")).to_have_value("Ireland")
        self.page.go_forward()
        self.page.get_by_label("Temperatures in").select_option("C")
        self.go_on(3, last=True)
        expect(self.page.get_by_label("What do you call it?")).to_have_value("By the gate")

    def test_a_session_that_ends_takes_nothing_that_was_typed(self):
        self.begin()
        self.go_on(2)
        self.page.context.clear_cookies(name="sessionid")
        for _ in range(2):
            if self.page.get_by_role("button", name="Write it down").count():
                break
            self.press("Next")
        self.press("Write it down")
        sheet = self.page.get_by_role("dialog", name="You were signed out")
        expect(sheet.get_by_label("Your name")).to_have_value("Wren")
        sheet.get_by_label("Password").fill("nine rusty trowels")
        sheet.get_by_role("button", name="Sign in and go on").click()
        expect(sheet).to_be_hidden()
        self.press("Write it down")
        expect(self.page.get_by_label("What do you call it?")).to_be_visible()

    def test_leaving_the_questions_is_no_dead_end(self):
        self.begin()
        self.press("Leave the questions for now")
        expect(self.page.get_by_role("heading", name="Set-up of Back step")).to_be_visible()
        for name in ("Add a place", "Add a water", "Add a jar", "Add a can", "Add a pen"):
            expect(self.page.get_by_role("button", name=name)).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.page.goto(f"{self.live_server_url}/bench")
        self.page.get_by_role("link", name="Set up a jar").click()
        expect(self.page).to_have_url(f"{self.live_server_url}/setup")


class FirstRun(Answering):
    viewport = PHONE

    def test_from_nothing_to_a_can_of_powder_told_in_spoons(self):
        self.begin()
        self.at_step(1)
        self.page.get_by_label("Country").select_option("United States")
        self.go_on(2)
        expect(self.page.get_by_label("Spoons and gallons")).to_have_value("us")
        self.page.get_by_role("button", name="why?").first.click()
        expect(self.page.get_by_text("A tablespoon holds 15 to 20 mL")).to_be_visible()
        self.go_on(3)
        expect(self.page.get_by_label("Most like")).to_contain_text("like Ohio")
        self.go_on(4, last=True)
        self.in_her_measures()
        self.go_on(0)
        expect(self.page.get_by_text("Read nothing; Such as “Tub by the door”.")).to_be_visible()
        self.page.get_by_label("What do you call it?").fill("Door tub")
        self.page.get_by_label("How large is it?").fill("a bit")
        self.go_on(5)
        self.press("Write it down")
        expect(self.page.get_by_text("Read “a bit”; 40 L, 3.6 x 1.2 m")).to_be_visible()
        expect(self.page.get_by_label("What do you call it?")).to_have_value("Door tub")
        self.page.get_by_label("How large is it?").fill("10 gallon")
        self.go_on(5)
        self.go_on(6, last=True)
        self.page.get_by_label("Crop").select_option(label="Sweet pepper (capsicum, bell pepper)")
        self.page.get_by_label("How many plants?").fill("2")
        self.go_on(7)
        self.page.get_by_role("radio", name="in flower").check()
        self.go_on(8, last=True)
        self.go_on(9, last=True)
        self.page.get_by_label("What stands on it?").fill("Blue crystals")
        self.page.get_by_label("Is it liquid or dry?").select_option("solid")
        expect(self.page.get_by_label("How much is in the pack?")).to_have_value("5 lb")
        self.go_on(10)
        self.page.get_by_label("N-P-K").fill("15-30-15")
        self.go_on(11)
        self.page.get_by_label("The label’s own rate").fill("1 tbsp per gallon")
        self.in_her_measures()
        self.powder_to_the_bench()

    def powder_to_the_bench(self):
        """From what its label says to a poured can, and every page after that."""
        for number in (12, 13, 14, 15):
            self.go_on(number)
        expect(self.page.get_by_label("It is made of")).to_have_value("")
        self.go_on(16, last=True)
        expect(self.page.get_by_label("Filled to its mark it holds")).to_have_value("2 gallon")
        self.go_on(17, last=True)
        expect(self.page.get_by_label("Evenings")).to_have_value("two")
        self.press("Write it down")
        self.at_the_bench("Door tub")
        expect(self.page.get_by_text("2 sweet peppers · in flower")).to_be_visible()
        self.in_her_measures()
        if self.page.get_by_role("slider").count() == 0:
            self.feed_anyway()
        expect(self.box("% label")).not_to_have_value("")  # laid out, before anything is typed
        self.box("parts").fill("1/2 tbsp per gallon")
        # half of the label's rate; 7.4 mL at .8 g/mL in each of the gallons that the tub takes
        expect(self.box("% label")).to_have_value("50")
        grams = float(self.box("g a can").input_value())
        self.assertTrue(5.9 < grams < 11.9, grams)
        expect(self.page.get_by_text("teaspoon").first).to_be_visible()
        self.box("% label").fill("quarter strength")
        expect(self.box("g a can")).not_to_have_value(f"{grams:g}")
        self.assertAlmostEqual(float(self.box("g a can").input_value()), grams / 2, delta=0.02)
        self.in_her_measures()
        self.page.get_by_role(
            "button", name=re.compile("^(Pour|Write it down anyway)")
        ).first.click()
        expect(self.page.get_by_role("status")).to_contain_text("on Door tub")
        for path in ("notebook", "season", "place", "roots", "shelf", "setup", "pen"):
            self.page.goto(f"{self.live_server_url}/{path}")
            expect(self.page.locator("h1").first).to_be_visible()
            expect(self.page.locator("[aria-busy=true]")).to_have_count(0)
            self.in_her_measures()


class Desk(BrowserCase):
    def setUp(self):
        super().setUp()
        self.look_round()

    def to(self, path):
        self.page.goto(self.live_server_url + path)

    def test_the_pen_is_dipped_and_the_drain_read_in_two_presses(self):
        self.choose("Quay tub 2")
        self.page.keyboard.press("r")
        sheet = self.page.get_by_role("dialog")
        sheet.get_by_label("The pen is in").select_option(label="what drains from Quay tub 2")
        self.press("Dip yard pen")
        expect(sheet.get_by_label("It shows")).not_to_have_value("")
        shown = sheet.get_by_label("It shows").input_value()
        self.press("Write it down")
        bar = self.page.get_by_role("status").filter(has_text="reading of")
        expect(bar).to_contain_text(f"reading of {float(shown):.2f}")

    def test_a_slurry_says_what_it_stands_for(self):
        self.choose("Quay tub 2")
        self.page.keyboard.press("r")
        sheet = self.page.get_by_role("dialog")
        sheet.get_by_label("The pen is in").select_option(label="what drains from Quay tub 2")
        sheet.get_by_label("It shows").fill("1.35")
        sheet.get_by_text("How and when it was read").click()
        sheet.get_by_label("The sample is").select_option("ext_1_2_vv")
        self.press("Write it down")
        self.press("Notebook", "link")
        # 1.35 x 3.6 (2.9 to 4.4 in the tables)
        expect(self.page.get_by_text("As much as 4.9 mS/cm")).to_be_visible()

    def test_the_notebook_as_a_chart_and_back_by_one_key(self):
        self.to("/notebook")
        expect(self.page.get_by_role("article").first).to_be_visible()
        self.page.keyboard.press("c")
        chart = self.page.get_by_role("img", name="doses as drops sized by their nitrogen")
        expect(chart).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.page.keyboard.press("c")
        expect(self.page.get_by_role("article").first).to_be_visible()

    def test_a_helper_joins_by_link(self):
        self.to("/setup")
        self.press("Make a link")
        link = self.page.get_by_label("Give this link to one person").input_value()
        window = self.page.context.browser.new_context(viewport=self.viewport)
        self.addCleanup(window.close)
        other = window.new_page()
        other.goto(link)
        other.get_by_label("Your name").fill("Robin")
        other.get_by_label("Password").fill("seven bent forks")
        other.get_by_role("button", name="Join").click()
        expect(other.get_by_role("button", name="Quay tub 2")).to_be_visible()
        other.context.close()


class ByMany(BrowserCase):
    viewport = PHONE

    def test_a_pasted_list_and_two_more_like_it(self):
        self.look_round("setup")
        self.press("Add a list")
        box = self.page.get_by_role("dialog", name="A list of what is there")
        text = box.get_by_role("textbox")
        text.fill("Bed 21-34, 3 x 1.2 m, clay\n10 barrels of 40 L\n12 chard, Bed 23, 12 April")
        expect(box.get_by_text("14 places, 1 plantings; 1 not understood")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        text.fill("Bed 21-34, 3 x 1.2 m, clay\n10 tubs of 40 L\n12 chard, Bed 23, 12 April")
        expect(box.get_by_text("Tub 1 to Tub 10: tub, 40 L")).to_be_visible()
        box.get_by_role("button", name="Keep it all").click()
        bed = self.page.get_by_role("group", name="Bed 34")
        expect(bed).to_be_visible()
        bed.get_by_role("button", name="More: Bed 34").click()
        bed.get_by_role("button", name="More like this").click()
        self.page.get_by_label("More of them").fill("2")
        self.press("Write it down")
        expect(self.page.get_by_role("group", name="Bed 2", exact=True)).to_be_visible()
        self.press("Add a place")
        self.page.get_by_label("What do you call it?").fill("Door pail")
        self.page.get_by_label("How large is it?").fill("12 L")
        self.press("Next")
        self.press("Next")
        self.press("Write it down")
        self.press("What grows in it?")  # and then the next crop
        sheet = self.page.get_by_role("dialog", name="What grows there?")
        sheet.get_by_label("Crop").select_option("basil")
        sheet.get_by_role("button", name="Next").click()
        self.press("Write it down")
        expect(self.page.get_by_role("group", name="Door pail")).to_contain_text("basil")
        expect(self.page.get_by_role("button", name="Another crop there")).to_be_visible()
