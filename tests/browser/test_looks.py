"""How they look, by thumb, and what is wrong, with the garden's own facts."""

from typing import ClassVar

from playwright.sync_api import expect

from tests.api.pictures import PNG
from tests.browser.base import DESKTOP, PHONE, BrowserCase


class ByThumb(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def test_stop_after_stop_is_scored_in_five_presses(self):
        self.look_round("notebook")
        self.press("How do they look?")
        dialog = self.page.get_by_role("dialog")
        for _ in range(3):
            for scale, point in (("leaf colour", 4), ("new growth", 3), ("leaf damage", 5),
                                 ("fruit or head set", 3), ("turgor at dawn", 5)):  # fmt: skip
                dialog.get_by_role("button", name=f"{scale} {point}:").click()
            expect(dialog.get_by_text("good green")).to_be_visible()
            dialog.get_by_role("button", name="Write it down, next stop").click()
            expect(dialog.get_by_role("button", pressed=True)).to_have_count(0)
        self.assert_axe_finds_nothing_grave()
        self.page.keyboard.press("Escape")
        expect(self.page.get_by_text("leaf colour 4 of 5: good green")).to_have_count(3)

    def test_a_photo_goes_along_and_one_that_is_none_loses_nothing(self):
        self.look_round("notebook")
        self.press("How do they look?")
        dialog = self.page.get_by_role("dialog")
        dialog.get_by_role("button", name="leaf colour 4:").click()
        box = dialog.get_by_label("A photo")
        box.set_input_files({"name": "leaf.jpg", "mimeType": "image/jpeg", "buffer": b"echo hello"})
        dialog.get_by_role("button", name="Write it down").click()
        expect(dialog.get_by_text("JPEG, PNG, WebP or HEIC")).to_be_visible()
        expect(dialog.get_by_role("button", name="leaf colour 4:", pressed=True)).to_be_visible()
        box.set_input_files({"name": "leaf.png", "mimeType": "image/png", "buffer": PNG})
        dialog.get_by_role("button", name="Write it down").click()
        expect(dialog.get_by_role("button", pressed=True)).to_have_count(0)
        self.page.keyboard.press("Escape")
        kept = self.page.get_by_role("img", name="A photo of Sluice bed")
        expect(kept).to_be_visible()
        self.assertEqual(
            kept.evaluate("image => image.decode().then(() => image.naturalWidth)"), 40
        )
        self.page.goto(f"{self.live_server_url}/place?stop={self.stop('Sluice bed')}")
        expect(self.page.get_by_role("heading", name="Photos")).to_be_visible()
        self.assert_axe_finds_nothing_grave()


class AtTheDesk(BrowserCase):
    viewport: ClassVar[dict[str, int]] = DESKTOP

    def test_a_dark_patch_is_salt_before_calcium_and_is_asked_about_later(self):
        self.look_round("signs")
        self.page.get_by_label("On which plants?").select_option(label="Quay tub 2: 4 aubergines")
        self.page.get_by_role("button", name="fruit", exact=True).click()
        self.page.get_by_role("button", name="Sunken brown-black").click()
        answer = self.page.get_by_role("region", name="What it likely is")
        first = answer.locator("ol li").first
        expect(first).to_contain_text("High EC")
        expect(first).to_contain_text("The drain reads")
        expect(answer).to_contain_text("No feed for this")
        self.assert_axe_finds_nothing_grave()
        answer.get_by_role("button", name="Keep it, and ask me later").click()
        before = self.page.get_by_role("region", name="Looked up before")
        before.get_by_role("button", name="something else").click()
        expect(before).to_have_count(0)

    def test_ten_signs_are_found_by_picture_each_with_its_causes(self):
        self.look_round("signs")
        which = self.page.get_by_label("On which plants?")
        which.select_option(label="Quay tub 2: 4 aubergines")
        self.page.locator(".picture").click(position={"x": 143, "y": 141})  # where a fruit hangs
        fruit = self.page.get_by_role("button", name="fruit", exact=True)
        expect(fruit).to_have_attribute("aria-pressed", "true")
        for plants, part, sign in (
            ("aubergines", "old leaves", "Yellow between green veins"),
            ("aubergines", "fruit", "Split"),
            ("chilli", "whole plant", "Very dark, clawed downwards"),
            ("cucumber", "old leaves", "White powdery patches"),
            ("cucumber", "fruit", "Bent or waisted"),
            ("melon", "root zone", "Roots circle the pot"),
            ("lettuce", "whole plant", "Fallen over, stem pinched"),
            ("leek", "root/bulb", "Thick green neck"),
            ("bean", "new leaves", "Marbled yellow with tan specks"),
            ("strawberr", "medium surface", "White crust"),
        ):
            with self.subTest(sign):
                option = which.locator("option").filter(has_text=plants).first
                which.select_option(value=option.get_attribute("value"))
                self.page.get_by_role("button", name=part, exact=True).click()
                self.page.get_by_role("button", name=sign).click()
                answer = self.page.get_by_role("region", name="What it likely is")
                expect(answer.locator("ol li").first).to_be_visible()
                self.assertGreater(answer.locator("ol li").count(), 1)
                expect(self.page.locator(".chosen")).to_contain_text(sign)
                self.press("Start again")

    def test_the_sheet_opens_by_its_key_from_anywhere(self):
        self.look_round("shelf")
        self.page.keyboard.press("o")
        expect(self.page.get_by_role("dialog", name="How do they look?")).to_be_visible()
