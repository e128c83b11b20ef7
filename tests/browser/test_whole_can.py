"""A can of several sources and a spray: by keyboard alone, and by thumb."""

import re

from playwright.sync_api import expect

from tests.browser.base import PHONE, BrowserCase


class AtTheBench(BrowserCase):
    def at_the_melon(self):
        self.look_round()
        self.choose("Cold frame")
        self.press("Cold frame, melon")
        self.at_the_bench("Cold frame, melon")
        self.press("Change it")
        expect(self.page.get_by_label("Pour in another")).to_be_visible()

    def pick(self, label, words):
        """An option by the first words of its name, typed into the list."""
        self.page.get_by_label(label, exact=True).focus()
        self.page.keyboard.type(words)

    def pour_in(self, words):
        self.pick("Pour in another", words)
        self.by_key("Pour it in")

    def by_key(self, name, key="Enter"):
        self.page.get_by_role("button", name=name).first.focus()
        self.page.keyboard.press(key)

    def potassium(self):
        return self.page.get_by_role("button", name=re.compile("^K potassium"))

    def leaves_at_tub_3(self):
        self.page.goto(f"{self.live_server_url}/bench")
        self.choose("Quay tub 3")
        self.leaves_there()

    def leaves_there(self):
        self.at_the_bench("Quay tub 3")
        self.by_key("leaves")
        jar = self.page.get_by_label("Jar", exact=True)
        expect(jar.locator("option:checked")).to_have_text(re.compile("^(Fruiting|Balanced)"))
        self.pick("Jar", "Epsom salt")
        strength = self.page.get_by_label("Strength of the spray")
        strength.focus()
        strength.fill("10 g/L")
        expect(self.page.get_by_text("Fit for magnesium, no meal.")).to_be_visible()


class ByKeyboard(AtTheBench):
    def test_source_on_source_by_keyboard_alone(self):
        self.at_the_melon()
        before = self.potassium().inner_text()
        comfrey = self.page.get_by_role("slider", name="Level of June comfrey")
        expect(comfrey).to_have_attribute("aria-valuetext", re.compile("millilitres"))
        self.pour_in("Potassium sulfate")
        potash = self.page.get_by_role("slider", name="Level of Potassium sulfate")
        poured = str(potash.get_attribute("aria-valuenow"))
        potash.focus()
        self.page.keyboard.press("PageUp")
        expect(potash).not_to_have_attribute("aria-valuenow", poured)
        expect(self.potassium()).not_to_have_text(before)
        expect(self.page.get_by_role("list", name="Poured in this order")).to_contain_text(
            re.compile("(Fruiting|Balanced).*comfrey.*Potassium", re.S)
        )
        self.pour_in("Wood ash")
        clash = self.page.get_by_role("alert").filter(has_text="Not together")
        expect(clash.first).to_contain_text("ammonia gas")
        self.by_key("Take Wood ash, sifted out")
        expect(clash).to_have_count(0)
        self.assert_axe_finds_nothing_grave()
        pour = self.page.get_by_role("button", name=re.compile("Pour|Write it down"))
        pour.first.focus()
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("button", name="Undo")).to_be_visible()

    def test_a_spray_by_keyboard_is_written_down_as_what_went_in(self):
        self.look_round()
        self.leaves_at_tub_3()
        expect(self.page.get_by_text(re.compile("Lands 47 mg of magnesium"))).to_be_visible()
        hours = self.page.get_by_role("listbox", name="Hours of the next day")
        chosen = hours.get_by_role("option", selected=True)
        first = chosen.get_attribute("aria-label")
        hours.focus()
        self.page.keyboard.press("ArrowRight")
        expect(chosen).not_to_have_attribute("aria-label", first)
        self.assert_axe_finds_nothing_grave()
        self.by_key(re.compile("Sprayed|Write it down anyway"))
        expect(self.page.get_by_role("button", name="Undo")).to_be_visible()
        self.page.get_by_role("link", name="Notebook").click()
        expect(self.page.get_by_text("mg of magnesium went into each plant")).to_be_visible()


class ByThumb(AtTheBench):
    viewport = PHONE

    def test_a_spray_waits_for_what_stands_on_the_bench(self):
        self.look_round()
        self.choose("Sluice bed")
        self.at_the_bench("Sluice bed, chard end")
        self.page.wait_for_load_state("networkidle")

        def late(route):  # long after the leaves were asked for
            expect(self.page.get_by_role("button", name="leaves")).to_have_attribute(
                "aria-pressed", "true"
            )
            expect(self.page.get_by_text("Working it out…")).to_be_visible()
            route.continue_()

        self.page.route("**/api/bench", late)
        self.choose("Quay tub 3")
        self.leaves_there()

    def test_a_mix_is_found_and_poured_by_thumb(self):
        self.at_the_melon()
        self.press("Find a mix")
        self.page.get_by_role("button", name=re.compile("nearest to what it likes")).click()
        less = self.page.get_by_role("button", name="Less Epsom salt")
        expect(less).to_be_visible()
        box = less.bounding_box()
        self.assertGreaterEqual(min(box["width"], box["height"]), 44)
        less.click()
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, PHONE["width"])
        self.page.get_by_role("button", name=re.compile("^Pour [0-9.]+ L on each")).click()
        expect(self.page.get_by_role("button", name="Undo")).to_be_visible()
