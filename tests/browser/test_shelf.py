"""A brew from the recipe to the bottle, in the browser."""

from playwright.sync_api import expect

from tests.browser.base import PHONE, BrowserCase


class Shelf(BrowserCase):
    def at_shelf(self):
        self.look_round()
        self.page.keyboard.press("3")
        expect(self.page.get_by_role("link", name="Comfrey ferment Airless")).to_be_visible()

    def test_todays_step_is_on_the_path_and_one_press_away(self):
        self.look_round()
        rail = self.page.get_by_label("Along the path")
        rail.get_by_role("link", name="Comfrey ferment let the gas out").click()
        self.press("Let the gas out")
        expect(self.page.get_by_text("Comfrey ferment: let the gas out")).to_be_visible()
        expect(rail.get_by_role("link", name="Comfrey ferment")).to_have_count(0)
        self.press("Undo")
        expect(rail.get_by_role("link", name="Comfrey ferment")).to_be_visible()

    def test_a_reading_at_one_and_nineteen_tightens_the_band(self):
        self.at_shelf()
        self.page.get_by_role("link", name="Comfrey ferment Airless").click()
        self.press("Read it")
        dialog = self.page.get_by_role("dialog")
        expect(dialog.get_by_label("The pen is in").locator("option:checked")).to_have_text(
            "the brew: Comfrey ferment"
        )
        expect(dialog.get_by_text("Stir it, let it settle")).to_be_visible()
        dialog.get_by_label("It shows").fill("nought")
        dialog.get_by_role("button", name="Write it down").click()
        expect(dialog.get_by_text("Read “nought”")).to_be_visible()
        dialog.get_by_label("It shows").fill("0.15")
        dialog.get_by_label("Diluted before it was read").fill("19")
        dialog.get_by_role("button", name="Write it down").click()
        expect(self.page.get_by_text("read 0.15 mS/cm at 1 + 19")).to_be_visible()
        expect(self.page.get_by_text("Conductivity speaks of all ions")).to_be_visible()
        self.assert_axe_finds_nothing_grave()

    def test_begun_from_a_recipe_strained_and_poured(self):
        self.at_shelf()
        self.page.get_by_role("link", name="Begin a brew").click()
        self.page.get_by_role("button", name="Pellet tea").click()
        for _ in range(3):
            self.press("Next")
        self.press("Write it down")
        expect(self.page.get_by_role("heading", name="Before you begin")).to_be_visible()
        expect(self.page.get_by_role("img", name="Expected conductivity")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.page.get_by_label("I have seen to it").first.check()
        self.press("Begin it now")
        expect(self.page.get_by_role("heading", name="Pellet tea")).to_be_visible()
        cautions = self.page.get_by_role("complementary")
        settled = cautions.get_by_text(": seen to on 14 July")
        expect(settled).to_have_count(1)
        cautions.get_by_role("button", name="I have seen to it").first.click()
        expect(settled).to_have_count(2)
        self.press("Strain and bottle")
        self.page.get_by_role("dialog").get_by_label("It gave").fill("11 L")
        self.press("Bottle it")
        self.page.get_by_role("link", name="Pellet tea, bottled").click()
        expect(self.page.get_by_label("The bottle's label")).to_contain_text("drink bottle")
        self.assert_axe_finds_nothing_grave()
        self.press("Read it")
        dialog = self.page.get_by_role("dialog")
        dialog.get_by_label("It shows").fill("strong")
        dialog.get_by_role("button", name="Write it down").click()
        expect(dialog.get_by_text("Read “strong”")).to_be_visible()
        dialog.get_by_label("It shows").fill("0,2")
        dialog.get_by_label("Diluted before it was read").fill("9")
        dialog.get_by_role("button", name="Write it down").click()
        expect(self.page.get_by_text("read 0.2 mS/cm at 1 + 9")).to_be_visible()
        self.page.get_by_role("link", name="Pour from it on the Bench").click()
        expect(self.page.get_by_role("heading", name="Pellet tea, bottled")).to_be_visible()

    def test_the_shelf_by_axe_and_what_suits_a_stop_first(self):
        self.at_shelf()
        self.assert_axe_finds_nothing_grave()
        self.choose("Loft sill")
        jars = self.page.locator("ul.board").nth(2).get_by_role("link")
        # what the verdict of the basil offers
        expect(jars.first).to_contain_text("Balanced crystals")


class ShelfOnAPhone(BrowserCase):
    viewport = PHONE

    def test_the_shed_is_in_sight_and_nothing_scrolls_sideways(self):
        self.look_round()
        self.page.get_by_role("link", name="Eggshell in vinegar").click()
        expect(self.page.get_by_role("img", name="Here the acid runs out")).to_be_visible()
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, PHONE["width"])
        self.assert_axe_finds_nothing_grave()
