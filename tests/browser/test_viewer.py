"""Who only looks: no button that writes, in no place; whatever is there to press is not refused."""

from django.contrib.sessions.models import Session

from dace.households.models import Membership
from tests.browser.base import BrowserCase

DESKS = ("round", "walk", "bench", "notebook", "signs", "setup")
PRESSES = """
() => [...document.querySelectorAll('#desk button, #desk [role=button], section.walk button')]
  .filter((one) => one.checkVisibility() && !one.disabled)
  .map((one) => one.innerText.replaceAll('\\n', ' ').trim())
"""


class OnlyLooking(BrowserCase):
    def test_nothing_that_can_be_pressed_is_refused(self):
        user_id = Session.objects.get().get_decoded()["_auth_user_id"]
        Membership.objects.filter(user_id=user_id).update(role="viewer")
        self.look_round("round")
        refused: list[str] = []
        self.page.on("response", lambda r: r.status == 403 and refused.append(r.url))
        self.page.on("dialog", lambda dialog: dialog.dismiss())
        for desk in DESKS:
            self.at(desk)
            for at in range(len(self.page.evaluate(PRESSES))):
                names = self.page.evaluate(PRESSES)
                if at >= len(names):
                    break
                with self.subTest(desk, button=names[at]):
                    self.press_nth(at)
                    self.assertEqual(refused, [])
                if self.page.url.split("?")[0] != f"{self.live_server_url}/{desk}":
                    self.at(desk)
            refused.clear()

    def at(self, desk):
        self.page.goto(f"{self.live_server_url}/{desk}")
        self.page.locator("h1").first.wait_for()
        self.page.wait_for_load_state("networkidle")

    def press_nth(self, at):
        found = self.page.locator("#desk button, #desk [role=button], section.walk button")
        one = found.filter(visible=True).and_(self.page.locator(":not([disabled])")).nth(at)
        one.click(timeout=3000)
        self.page.wait_for_load_state("networkidle")
        if self.page.locator("dialog[open]").count():
            self.page.keyboard.press("Escape")
