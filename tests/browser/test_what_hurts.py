"""What hurt somebody once, in the browser, in litres and in gallons."""

from __future__ import annotations

import re
from typing import Any, ClassVar

from playwright.sync_api import Locator, expect

from tests.browser.base import DESKTOP, BrowserCase

IN_MEASURES = """async (measures) => {
  const { csrf } = await (await fetch('/api/session')).json();
  const headers = { 'X-CSRFToken': csrf, 'Content-Type': 'application/json' };
  const { garden } = await (await fetch('/api/setup')).json();
  const body = JSON.stringify({ ...garden, measures });
  const reply = await fetch('/api/garden', { method: 'PUT', headers, body });
  if (!reply.ok) throw new Error(await reply.text());
}"""
HUNGRY = """async (measures) => {
  let { csrf } = await (await fetch('/api/session')).json();
  const send = async (method, path, body) => {
    const headers = { 'X-CSRFToken': csrf, 'Content-Type': 'application/json' };
    const reply = await fetch(path, { method, headers, body: JSON.stringify(body) });
    if (!reply.ok) throw new Error(path + await reply.text());
    return reply.json();
  };
  const id = () => crypto.randomUUID();
  const who = { name: `Rook ${id()}`, password: 'nine rusty trowels', garden: 'Back step' };
  csrf = (await send('POST', '/api/sign-up', who)).csrf;
  const { garden } = await (await fetch('/api/setup')).json();
  await send('PUT', '/api/garden', { ...garden, measures, latitude: 51, zone: 'Europe/London' });
  const fill = { id: id(), size: measures === 'us' ? '3 gal' : '10 L', medium: 'coir' };
  await send('PUT', `/api/places/${id()}`, { name: 'Old pot', kind: 'pot', fill });
  await send('PUT', `/api/waters/${id()}`, { name: 'rain', kind: 'rain' });
  await send('PUT', `/api/vessels/${id()}`, { name: 'can', volume: '9 L', kind: 'can' });
  const epsom = { name: 'Epsom salt', grade: '0-0-0', form: 'solid', pack: '500 g' };
  const material = 'magnesium_sulfate_heptahydrate';
  await send('PUT', `/api/jars/${id()}`, { ...epsom, material });
  const planting = { id: id(), crop: 'chilli', started_on: '2026-02-20', count: 1 };
  const stands = { stand_id: id(), fill_id: fill.id, stage: 'fruit_set' };
  await send('POST', '/api/plantings', { ...planting, ...stands });
}"""
MIXED = (
    "Date,Place,Notes\n2026-07-01,Quay tub 2,fine\n"
    "20.11.25,Gutter,leaves off\n14.1.26,Gutter,asleep\n"
)
EITHER = "Date,Place,Notes\n2026-07-01,Quay tub 2,fine\n05/06/2026,Quay tub 3,dry\n"


class Measured(BrowserCase):
    """The same stories, whatever the garden measures in."""

    viewport: ClassVar[dict[str, int]] = DESKTOP
    measures = "metric"
    amount, typed, in_all = "1.5 L", "1.2", "4.8 L"

    def in_measures(self, desk: str) -> None:
        self.look_round(desk)
        self.page.evaluate(IN_MEASURES, self.measures)
        self.page.reload()
        path = self.page.get_by_label("Along the path")
        expect(path.get_by_role("button", name="Quay tub 2")).to_be_visible()

    def shown(self, label: str) -> str:
        box = self.box(label)
        expect(box).not_to_have_value("")
        return str(box.input_value())

    def test_what_a_box_shows_typed_back_bare_changes_nothing(self) -> None:
        self.in_measures("bench")
        self.choose("Quay tub 1")
        self.feed_anyway()
        strength = self.shown("parts")
        boxes = [box.input_value() for box in self.page.get_by_role("textbox").all()]
        self.assertRegex(strength, r"g/gal|g/L")
        box = self.box("parts")
        box.fill(re.sub(r" ?g/.*", "", strength))
        box.press("Enter")
        box.blur()
        expect(box).to_have_value(strength)
        self.assertEqual(
            [one.input_value() for one in self.page.get_by_role("textbox").all()], boxes
        )

    def other_amount(self, typed: str) -> Locator:
        self.press("other amount for Quay tub 1")
        box = self.page.get_by_role("dialog").get_by_role("textbox")
        expect(box).to_have_value(self.amount)
        box.fill(typed)
        return self.page.get_by_role("dialog")

    def test_another_amount_is_read_in_the_unit_that_the_box_shows(self) -> None:
        self.in_measures("round")
        sheet = self.other_amount(self.typed)
        read = sheet.get_by_role("button", name=f"That much: {self.in_all} in all")
        expect(read).to_be_visible()
        sheet.get_by_role("textbox").fill("a lot")
        expect(sheet.get_by_role("alert")).to_be_visible()
        expect(read).to_have_count(0)
        sheet.get_by_role("textbox").fill(self.typed)
        expect(read).to_be_visible()
        read.click()
        row = self.page.get_by_role("button", name="Quay tub 1 4 aubergines")
        expect(row).to_contain_text(f"{self.in_all} poured")


class WhatHurts(BrowserCase):
    viewport: ClassVar[dict[str, int]] = DESKTOP
    measures = "metric"
    in_measures = Measured.in_measures

    def test_hungry_with_nothing_that_suits_is_one_voice(self) -> None:
        self.at_the_door()
        self.page.evaluate(HUNGRY, self.measures)
        self.page.goto(f"{self.live_server_url}/round")
        stop = self.page.get_by_label("Along the path").get_by_role("button", name="Old pot")
        expect(stop).to_contain_text("get a feed")
        main = self.page.get_by_role("main")
        expect(main).to_contain_text("Nothing on the shelf suits. Get a tomato feed")
        expect(main).not_to_contain_text("has what it needs")
        self.page.goto(f"{self.live_server_url}/bench")
        stop.click()
        expect(self.page.get_by_role("heading", level=1)).to_contain_text("get a feed")
        expect(self.page.get_by_role("button", name=re.compile("on each|anyway: "))).to_have_count(
            0
        )

    def test_a_changed_jar_starts_from_its_own_usual_strength(self) -> None:
        self.in_measures("bench")
        jar = self.page.get_by_label("Jar", exact=True)
        self.pick(jar, "Fruiting")
        self.box("parts").fill("2 mL/L")
        self.box("parts").blur()
        self.pick(jar, "Balanced crystals")
        label = self.box("% label")
        expect(label).not_to_have_value("")
        expect(label).to_have_value(re.compile(r"^(\d\d?|100)$"))

    def pick(self, jar: Locator, name: str) -> None:
        option = jar.locator("option").filter(has_text=name).first
        jar.select_option(value=str(option.get_attribute("value")))

    def test_a_trials_unfed_pots_stand_in_the_same_block(self) -> None:
        self.in_measures("round")
        block = self.page.get_by_role("region", name=re.compile("^Can"))
        block = block.filter(has_text="Step, unfed pots")
        expect(block).to_contain_text("Fruiting liquid")
        expect(block).to_contain_text("Step, fed pots")
        unfed = block.get_by_role("button", name="Step, unfed pots")
        unfed.click()
        expect(unfed).to_have_attribute("aria-pressed", "true")

    def test_doubtful_dates_are_shown_both_ways(self) -> None:
        self.in_measures("exchange")
        self.take(MIXED)
        main = self.page.get_by_role("main")
        for day in ("20 November 2025", "14 January 2026"):
            expect(main).to_contain_text(day)
        self.take(EITHER)
        asked = self.page.get_by_role("status").filter(has_text="Which is meant?")
        for day in ("5 June", "6 May"):
            expect(asked).to_contain_text(f"05/06/2026: {day}")

    def take(self, table: str) -> None:
        file: Any = {"name": "book.csv", "mimeType": "text/csv", "buffer": table.encode()}
        self.page.get_by_label("The table", exact=True).set_input_files(file)


class InGallons(Measured):
    measures = "us"
    amount, typed, in_all = "3.45 pt", "2", "1 gal"
