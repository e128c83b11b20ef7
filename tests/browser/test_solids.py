"""A heap, a mix and a bean test, worked out by thumb."""

import re

from playwright.sync_api import expect

from tests.browser.base import PHONE, BrowserCase


class Solids(BrowserCase):
    viewport = PHONE

    def test_a_heap_a_mix_and_a_bean_test(self):
        self.look_round("heap")
        self.page.get_by_label("How much, layer 1").fill("200 kg")
        self.page.get_by_label("How much, layer 2").fill("20 kg")
        expect(self.page.get_by_text(re.compile("kg of wheat straw"))).to_be_visible()
        expect(self.page.get_by_text("It may hold weedkiller: bean test")).to_be_visible()
        self.page.get_by_label("How much, layer 2").fill("lots")
        expect(self.page.get_by_role("alert")).to_contain_text("lots")
        self.page.get_by_label("How much, layer 2").fill("4 bales")
        expect(self.page.get_by_role("img", name=re.compile("200 kg grass"))).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.page.reload()
        expect(self.page.get_by_label("How much, layer 2")).to_have_value("4 bales")
        self.press("Soil mix", role="link")
        self.press("Big Supper")
        expect(self.page.get_by_role("heading", name="Right for this")).to_be_visible()
        self.page.get_by_label("For", exact=True).select_option("seed")
        expect(self.page.get_by_text("Too salty")).to_be_visible()
        compost = self.page.get_by_role("slider", name=re.compile("Garden compost"))
        compost.focus()
        self.page.keyboard.press("Home")
        expect(self.page.get_by_text("Too much garden compost")).to_have_count(0)
        self.assert_axe_finds_nothing_grave()
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, PHONE["width"])
        self.press("Bean test", role="link")
        for pot in (1, 2):
            group = self.page.get_by_role("group", name=f"Curled, With the manure, pot {pot}")
            for _ in range(2):
                group.get_by_role("button", name="One more curled").click()
        self.press("What do they say?")
        expect(self.page.get_by_role("status").filter(has_text="Suspect")).to_be_visible()
        self.assert_axe_finds_nothing_grave()


class Kept(BrowserCase):
    """A heap from its first layer to the bed, and a mix from its sliders to a tub."""

    viewport = PHONE

    def dialog(self, name):
        return self.page.get_by_role("dialog", name=name)

    def test_a_heap_is_begun_fed_turned_tested_and_emptied_onto_a_bed(self):
        self.look_round("heap?of=heap")
        self.page.get_by_label("How much, layer 1").fill("200 kg")
        self.page.get_by_label("How much, layer 2").fill("6 bales")
        self.press("Keep this heap")
        box = self.dialog("Keep this heap")
        box.get_by_label("What do you call it?").fill("Orchard heap")
        box.get_by_role("button", name="Begin it").click()
        expect(self.page.get_by_role("heading", name="Orchard heap")).to_be_visible()
        for amount in ("2 buckets", "1 barrow", "10 kg"):
            self.press("Put something on")
            more = self.dialog("Put something on")
            more.get_by_label("How much").fill(amount)
            more.get_by_role("button", name="Put it on").click()
            fed = self.page.get_by_role("listitem").filter(has_text=f"{amount} of mixed raw")
            expect(fed).to_be_visible()
        self.page.get_by_role("button", name="Turned", exact=True).click()
        expect(self.page.get_by_text("14 July: turned")).to_be_visible()
        self.press("Test it")
        test = self.dialog("Test it at home")
        test.get_by_label("It reads").fill("1,3")
        test.get_by_role("button", name="Write it down").click()
        expect(self.page.get_by_text("tested: 1.30 mS/cm in five parts of water")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.page.get_by_role("button", name="Empty it").last.click()
        out = self.dialog("Empty it")
        out.get_by_label("It gave").fill("40 kg")
        out.get_by_role("button", name="Take it out").click()
        self.page.get_by_role("link", name="What it became").click()
        self.press("Spread it on a bed")
        spread = self.dialog("Spread Orchard heap")
        spread.get_by_label("On").select_option(label="Sluice bed, leek end")
        spread.get_by_label("How much").fill("20 kg")
        expect(spread.get_by_text("g/m2 this season").first).to_be_visible()
        spread.get_by_role("button", name="Spread it").click()
        expect(self.page.get_by_text("20 kg left")).to_be_visible()
        expect(self.page.get_by_text("20 kg on Sluice bed, leek end")).to_be_visible()

    def test_a_mix_is_kept_and_a_tub_is_filled_with_it(self):
        self.look_round("heap?of=mix")
        self.press("Keep this mix")
        box = self.dialog("Keep this mix")
        box.get_by_label("What do you call it?").fill("Mill mix")
        box.get_by_role("button", name="Keep it").click()
        expect(self.page.get_by_role("button", name="Mill mix")).to_be_visible()
        self.page.goto(f"{self.live_server_url}/setup")
        self.press("Add a place")
        self.page.get_by_label("What do you call it?").fill("Mill tub")
        self.press("Next")
        self.page.get_by_label("Filled with").select_option(label="Mill mix")
        self.press("Next")
        self.press("Write it down")
        expect(self.page.get_by_role("group", name="Mill tub")).to_be_visible()

    def test_vetch_is_sown_and_cut_and_says_when_to_plant(self):
        self.look_round("heap?of=green")
        self.press("Sow it on a bed")
        box = self.dialog("Sow it")
        box.get_by_label("On").select_option(label="Sluice bed, leek end")
        box.get_by_role("button", name="Sow it").click()
        self.page.goto(f"{self.live_server_url}/season")
        expect(self.page.get_by_text("Winter vetch, Sluice bed, leek end")).to_be_visible()
        self.press("Cut it")
        cut = self.dialog("Cut the winter vetch")
        cut.get_by_label("How tall was it?").select_option("short")
        cut.get_by_role("button", name="It is cut").click()
        expect(self.page.get_by_text("cut; plant from 4 August")).to_be_visible()
