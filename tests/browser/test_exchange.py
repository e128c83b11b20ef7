"""A notebook in, everything out, by the page."""

import io
import zipfile
from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.base import DESKTOP, BrowserCase

BOOK = (
    "Garden book\nDate;Tub;EC (µS/cm)\n12.06.2026;Quay tub 2;1850\n13.06.2026;Old shed;900\n"
    "31.06.2026;Quay tub 2;900\n"
)


class InAndOut(BrowserCase):
    viewport: ClassVar[dict[str, int]] = DESKTOP

    def test_a_notebook_is_looked_over_taken_in_and_taken_back(self):
        self.look_round("exchange")
        file = {"name": "book.csv", "mimeType": "text/csv", "buffer": BOOK.encode("utf-16")}
        self.page.get_by_label("The table").set_input_files(file)
        expect(self.page.get_by_text("1 of 3 rows to take in")).to_be_visible()
        expect(self.page.get_by_text("12 June 2026: Quay tub 2 read 1.85 mS/cm")).to_be_visible()
        expect(self.page.get_by_text("“31.06.2026”")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.page.get_by_label("“Old shed” (1 row) is").select_option(label="Wall bed")
        expect(self.page.get_by_text("2 of 3 rows to take in")).to_be_visible()
        self.page.get_by_label("Unit of EC").select_option("mS/cm")
        expect(self.page.get_by_text("0 of 3 rows to take in")).to_be_visible()  # 1850 mS/cm
        self.page.get_by_label("Unit of EC").select_option("uS/cm")
        self.press("Take 2 in, leave 1 out")
        expect(self.page.get_by_text("2 taken in, 1 left out.").first).to_be_visible()
        self.press("Undo")
        expect(self.page.get_by_text("Undone")).to_be_visible()

    def test_everything_comes_out_as_one_file(self):
        self.look_round("exchange")
        with self.page.expect_download() as coming:
            self.page.get_by_role("link", name="Take everything out").click()
        with open(coming.value.path(), "rb") as file:
            names = zipfile.ZipFile(io.BytesIO(file.read())).namelist()
        self.assertIn("datapackage.json", names)
        self.assertIn("tables/reading.csv", names)
