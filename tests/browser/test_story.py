"""From a jar to a poured, logged, read-back dose, as a gardener does it."""

import re
from itertools import pairwise

from playwright.sync_api import expect

from tests.browser.base import PHONE, BrowserCase

VIEWS = ("/notebook", "/round", "/shelf", "/season", "/setup", "/trials", "/signs", "/nowhere")
LEVELS = """() => [...document.querySelectorAll('h1, h2, h3, h4, h5, h6')]
  .filter((one) => one.offsetParent).map((one) => Number(one.tagName[1]))"""

# WCAG 1.4.12: with letters, words, lines and paragraphs so far apart no text is cut off
SPACED = """() => {
  const style = new CSSStyleSheet();
  style.replaceSync(`* { line-height: 1.5 !important; letter-spacing: .12em !important;
    word-spacing: .16em !important } p { margin-bottom: 2em !important }`);
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, style];
  const cut = (one) => {
    const { overflowX, overflowY } = getComputedStyle(one);
    const hides = (way) => way === 'hidden' || way === 'clip';
    return one.offsetWidth > 1 && ((hides(overflowX) && one.scrollWidth > one.clientWidth + 1) ||
      (hides(overflowY) && one.scrollHeight > one.clientHeight + 1));
  };
  const told = (one) => [...one.childNodes].some((n) => n.nodeType === 3 && n.data.trim());
  return [...document.querySelectorAll('body *:not(svg *)')]
    .filter((one) => one.offsetParent && told(one) && cut(one)).map((one) => one.textContent);
}"""


class Story(BrowserCase):
    def at_tub_2(self):
        self.look_round()
        self.choose("Quay tub 2")
        self.at_the_bench("Quay tub 2")
        expect(self.page.get_by_text("4 aubergines · in flower")).to_be_visible()
        self.feed_anyway()
        expect(self.page.get_by_text("likes 54–144", exact=True)).to_be_visible()

    def test_each_way_to_say_the_can_moves_the_same_drawing(self):
        self.at_tub_2()
        slider = self.page.get_by_role("slider", name="Level of the concentrate")
        self.box("parts").fill("1 + 500")
        expect(self.box("mL a can")).to_have_value("18")
        self.assertAlmostEqual(float(slider.get_attribute("aria-valuenow")), 17.96, delta=0.01)
        self.box("mL a litre").fill("2")  # what the box shows: nothing changes
        self.box("mL a litre").fill("2.5")
        expect(self.box("parts")).to_have_value("1 + 399")
        self.assertAlmostEqual(float(slider.get_attribute("aria-valuenow")), 22.5, delta=0.01)
        before = slider.bounding_box()["y"]
        self.box("mL a can").fill("30")
        expect(self.box("parts")).to_have_value("1 + 299")
        self.assertLess(slider.bounding_box()["y"], before)

    def test_a_dragged_level_stops_at_the_cap_and_passes_on_a_second_pull(self):
        self.at_tub_2()
        self.box("parts").fill("1 + 500")
        expect(self.box("mL a can")).to_have_value("18")
        for wanted in ("34", None):
            handle = self.page.get_by_role("slider").bounding_box()
            x, y = handle["x"] + handle["width"] / 2, handle["y"] + handle["height"] / 2
            self.page.mouse.move(x, y)
            self.page.mouse.down()
            self.page.mouse.move(x, y - 30, steps=5)
            self.page.mouse.move(x, y - 70, steps=5)
            self.page.mouse.up()
            if wanted:
                # 9000 mL / (1 + 258): the feed alone reads 1.33 there
                expect(self.box("mL a can")).to_have_value(re.compile(r"^34\.\d$"))
                expect(self.page.get_by_text("Too strong for aubergine in flower")).to_be_hidden()
        expect(self.page.get_by_text("Too strong for aubergine in flower")).to_be_visible()

    def test_how_opens_the_steps(self):
        self.at_tub_2()
        self.box("parts").fill("1 + 200")
        expect(self.box("N, mg/L")).to_have_value("229")
        self.page.get_by_role("button", name="nitrogen: 213 to 245 mg").click()
        pane = self.page.get_by_label("How we worked it out")
        expect(pane).to_contain_text("How 229 mg/L of nitrogen was got")
        expect(pane).to_contain_text("44.78 mL × 46 mg/mL ÷ 9 L")
        self.page.keyboard.press("ArrowDown")
        expect(pane).to_contain_text("How 74.9 mg/L of phosphorus was got")

    def test_poured_in_six_presses_read_and_undone(self):
        presses = 0
        self.look_round()
        self.choose("Quay tub 2")
        self.feed_anyway()
        presses += 2
        self.box("parts").click()
        presses += 1
        self.box("parts").fill("1 + 500")
        anyway = "Write it down anyway: 1.5 L each"
        expect(self.page.get_by_role("button", name=anyway)).to_be_enabled()
        expect(self.box("mL a can")).to_have_value("18")
        self.press(anyway)
        presses += 1
        expect(self.page.get_by_role("status")).to_contain_text("6 L on Quay tub 2")
        self.assertLessEqual(presses, 6)
        self.press("Read the can")
        self.page.get_by_label("It shows").fill("1.27")
        self.press("Write it down")
        expect(self.page.get_by_role("status")).to_contain_text("reading of 1.27")
        self.press("Notebook", "link")
        entry = self.page.get_by_role("article").first
        expect(entry).to_contain_text("1.5 L on each of 4 aubergines · 1 + 500 in 9 L")
        expect(entry).to_contain_text("The can reads 1.27 mS/cm")
        expect(entry).to_contain_text("As expected")
        entry.get_by_role("button", name="Undo").last.click()
        expect(self.page.get_by_role("status")).to_contain_text("Undone: ")
        expect(self.page.get_by_role("article").first).not_to_contain_text("18 mL")
        self.press("Put it back")
        expect(self.page.get_by_role("article").first).to_contain_text("18 mL")

    def test_a_feed_stands_ready_and_is_poured_in_two_presses(self):
        self.look_round()
        self.choose("Quay tub 3")
        self.at_the_bench("Quay tub 3")
        self.press("Pour 1 L on each of 6")
        expect(self.page.get_by_role("status")).to_contain_text("6 L on Quay tub 3")
        self.at_the_bench("Quay tub 3")
        expect(self.page.get_by_role("heading", level=1)).to_contain_text("waits till")
        self.press("Poured too much")  # and the flush follows in one press
        expect(self.page.get_by_role("heading", level=1)).to_contain_text("flush first")
        expect(self.page.get_by_text("You poured far too much").first).to_be_visible()

    def test_what_is_left_in_the_can_goes_to_the_next_stop(self):
        self.at_tub_2()
        self.press("Write it down anyway")
        expect(self.page.get_by_role("status")).to_contain_text("on Quay tub 2")
        self.choose("Quay tub 1")
        self.press("Pour them on Quay tub 1")
        expect(self.page.get_by_role("status")).to_contain_text("more of the can on Quay tub 1")

    def test_ten_times_the_label_is_asked_once_more(self):
        self.at_tub_2()
        self.box("parts").fill("1 + 15")
        self.press("Write it down anyway")
        self.press("Yes, ten times the label: write it down")
        expect(self.page.get_by_role("status")).to_contain_text("on Quay tub 2")

    def test_all_of_it_by_keyboard(self):
        self.at_the_door()
        self.page.get_by_role("button", name="Look round Weir Yard").focus()
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("button", name="Quay tub 2")).to_be_visible()
        expect(self.page.get_by_role("region", name="Can A")).to_be_visible()
        self.page.keyboard.press("2")
        expect(self.page.get_by_role("slider").first).to_be_visible()
        for _ in range(3):
            self.page.keyboard.press("]")
        self.at_the_bench("Quay tub 2")
        self.page.get_by_role("button", name="Write down a feed anyway").focus()
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_text("likes 54–144", exact=True)).to_be_visible()
        slider = self.page.get_by_role("slider")
        # the jar in hand is carried along: which one depends on where she stood long enough
        spoken = re.compile(r"(grams|millilitres).*the can reads \d")
        expect(slider).to_have_attribute("aria-valuetext", spoken)
        slider.focus()
        before = slider.get_attribute("aria-valuenow")
        self.page.keyboard.press("ArrowUp")
        expect(slider).not_to_have_attribute("aria-valuenow", before)
        self.assertGreater(float(slider.get_attribute("aria-valuenow")), float(before))
        self.page.get_by_role("button", name="Write it down anyway").focus()
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("status")).to_contain_text("on Quay tub 2")
        self.page.keyboard.press("u")
        expect(self.page.get_by_role("status")).to_contain_text("Undone")
        self.page.keyboard.press("5")
        expect(self.page.get_by_role("heading", name="Notebook: Quay tub 2")).to_be_visible()
        self.page.keyboard.press("?")
        expect(self.page.get_by_role("dialog")).to_contain_text("one stop along the path")

    def test_a_stage_seen_changes_what_the_can_is_held_against(self):
        self.at_tub_2()
        self.press("I see a change")
        self.press("Fruit longer than a finger and glossy")
        expect(self.page.get_by_text(re.compile(r"fruit swelling since 1\d July"))).to_be_visible()
        self.feed_anyway()
        expect(self.page.get_by_text("likes 81–216", exact=True)).to_be_visible()
        self.press("Undo")
        expect(self.page.get_by_text(re.compile(r"in flower since [1-6] July"))).to_be_visible()

    def test_the_notebook_reads_on_to_its_first_page(self):
        self.look_round()
        self.press("Notebook", "link")
        expect(self.page).to_have_title("Notebook · Dace")
        entries = self.page.locator("#desk li")
        expect(entries).to_have_count(40)
        while self.page.get_by_role("button", name="Earlier").count():
            had = entries.count()
            self.press("Earlier")
            expect(entries.nth(had)).to_be_visible()
            expect(self.page.locator("section[aria-busy=true]")).to_have_count(0)
        expect(self.page.get_by_text("This is the first page of the notebook.")).to_be_visible()
        expect(entries.filter(has_text="Nettle soak: stirred")).not_to_have_count(0)


class Views(BrowserCase):
    def test_axe_finds_nothing_serious_on_any_view(self):
        self.at_the_door()
        self.assert_axe_finds_nothing_grave()
        self.look_round()
        self.choose("Quay tub 2")
        self.assert_axe_finds_nothing_grave()
        self.feed_anyway()
        self.box("parts").fill("1 + 200")
        expect(self.page.get_by_role("alert")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
        self.page.keyboard.press("Tab")
        for path in VIEWS:
            self.page.goto(self.live_server_url + path)
            expect(self.page.locator("#desk h1")).to_be_visible()
            with self.subTest(path):
                self.assert_axe_finds_nothing_grave()
                levels = self.page.evaluate(LEVELS)
                self.assertEqual(levels[0], 1)
                steps = pairwise(levels)
                self.assertEqual([pair for pair in steps if pair[1] > pair[0] + 1], [])
                wide = self.page.evaluate("document.documentElement.scrollWidth")
                self.assertLessEqual(wide, self.viewport["width"])
                self.assertEqual(self.page.evaluate(SPACED), [])
                wide = self.page.evaluate("document.documentElement.scrollWidth")
                self.assertLessEqual(wide, self.viewport["width"])
        self.page.goto(self.live_server_url)
        expect(self.page.locator("#desk h1")).to_be_visible()
        self.page.keyboard.press("r")
        expect(self.page.get_by_role("dialog")).to_be_visible()
        self.assert_axe_finds_nothing_grave()


class Phone(Views):
    viewport = PHONE

    def test_pour_with_a_thumb(self):
        self.look_round()
        self.choose("Quay tub 2")
        self.feed_anyway()
        self.box("parts").fill("1 + 500")
        expect(self.box("mL a can")).to_have_value("18")
        self.press("Write it down anyway: 1.5 L each")
        expect(self.page.get_by_role("status")).to_contain_text("6 L on Quay tub 2")
        self.page.get_by_label("Thumb buttons").get_by_role("button", name="Read").click()
        expect(self.page.get_by_role("dialog")).to_contain_text("1 + 500 in 9 L")
        width = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(width, PHONE["width"])


class PutRight(BrowserCase):
    def test_a_garden_of_ones_own_begins_empty_and_says_what_to_do(self):
        self.at_the_door()
        self.page.get_by_label("Your name").fill("Wren")
        self.page.get_by_label("Password").fill("short")
        self.page.get_by_label("What is the garden called?").fill("Back step")
        self.press("Begin")
        expect(self.page.get_by_label("Password")).to_have_attribute("aria-invalid", "true")
        expect(self.page.get_by_label("Your name")).to_have_value("Wren")
        self.page.get_by_label("Password").fill("nine rusty trowels")
        self.press("Begin")
        expect(self.page.get_by_text("Your tubs and beds will stand here")).to_be_visible()
        self.assert_axe_finds_nothing_grave()

    def test_a_feed_poured_yesterday_evening_is_dated_and_its_amount_put_right(self):
        self.look_round()
        self.choose("Quay tub 1")
        self.feed_anyway()
        self.page.locator("summary").filter(has_text="Other…").click()
        self.press("poured earlier")
        self.page.get_by_label("When").select_option("yesterday evening")
        self.page.get_by_role("button", name="Pour 1.5 L on each of 4").click()
        expect(self.page.get_by_role("button", name="Undo", exact=True)).to_be_visible()
        self.page.goto(f"{self.live_server_url}/notebook")
        fed = self.page.get_by_role("listitem").filter(has_text="6 L on Quay tub 1").first
        expect(fed).to_contain_text("19:00")
        fed.get_by_role("button", name="Put it right").click()
        amount = self.box("How much on each of 4")
        expect(amount).to_have_value("1.5 L")
        amount.fill("0.5")
        self.press("Write it down")
        expect(self.page.get_by_text("2 L on Quay tub 1")).to_be_visible()
        self.assert_axe_finds_nothing_grave()
