"""Without a mouse: what has the focus is in sight, headings in order, sheets and back."""

from typing import ClassVar

from playwright.sync_api import expect

from tests.browser.base import DESKTOP, PHONE, BrowserCase

VIEWS = ("round", "bench", "notebook")
MOST = 250

FOCUSED = """() => {
  const has = document.activeElement;
  if (!has || has === document.body) return null;
  const box = has.getBoundingClientRect();
  const within = (at, most) => Math.min(Math.max(at, 1), most - 1);
  const seen = document.elementFromPoint(
    within(box.left + box.width / 2, innerWidth), within(box.top + box.height / 2, innerHeight));
  const label = has.labels && has.labels[0];
  const clear = seen && (has.contains(seen) || seen.contains(has) || label?.contains(seen));
  const name = has.getAttribute('aria-label') || has.textContent.trim().slice(0, 40);
  return [name, Boolean(clear) && box.height > 0, `${box.top} ${box.left} ${scrollY} ${name}`];
}"""


class ByKeyboard(BrowserCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def walked(self):
        """Every control that Tab comes to: its name, and whether it can be seen."""
        self.page.evaluate("document.activeElement.blur(); scrollTo(0, 0)")
        found, places = [], set()
        for _ in range(MOST):
            self.page.keyboard.press("Tab")
            here = self.page.evaluate(FOCUSED)
            if here is None or here[2] in places:
                break
            places.add(here[2])
            found.append(here[:2])
        return found

    def test_nothing_that_has_the_focus_is_hidden_by_a_bar(self):
        self.look_round()
        for view in VIEWS:
            self.page.goto(f"{self.live_server_url}/{view}")
            self.page.wait_for_load_state("networkidle")
            found = self.walked()
            with self.subTest(view):
                self.assertGreater(len(found), 15)
                self.assertEqual([name for name, clear in found if not clear], [])


class AtADesk(BrowserCase):
    viewport: ClassVar[dict[str, int]] = DESKTOP

    def test_a_sheet_takes_the_focus_and_gives_it_back(self):
        self.look_round("notebook")
        self.choose("Quay tub 2")
        has = self.page.get_by_label("Along the path").get_by_role("button", name="Quay tub 2")
        sheet = self.page.locator("dialog[open]")

        def late(route):  # what the sheet asks for comes when it is long open
            expect(sheet).to_be_visible()
            route.continue_()

        self.page.route("**/api/readables*", late)
        for key in ("r", "o", "/", "?"):
            has.focus()
            self.page.keyboard.press(key)
            with self.subTest(key):
                expect(sheet).to_be_visible()
                if key == "r":
                    expect(sheet.get_by_label("It shows")).to_be_visible()
                self.assertTrue(sheet.evaluate("one => one.contains(document.activeElement)"))
                self.page.keyboard.press("Escape")
                expect(sheet).to_have_count(0)
                expect(has).to_be_focused()
