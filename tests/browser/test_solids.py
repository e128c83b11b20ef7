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
