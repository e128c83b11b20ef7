"""How long a move on the Bench takes, beside a bare answer of the same size."""

from __future__ import annotations

import json
import statistics

from playwright.sync_api import Page

from tools.bench.table import Row
from tools.chromium import chromium
from tools.served import served

MOVES = 50

_MOVE = """async (moves) => {
  const slider = document.querySelector('[aria-label="Level of the concentrate"]');
  const figure = document.querySelector('.amount');
  const times = [];
  for (let i = 0; i < moves; i += 1) {
    const changed = new Promise((done) => {
      const watch = new MutationObserver(() => {
        watch.disconnect();
        requestAnimationFrame(done);
      });
      watch.observe(figure, { subtree: true, characterData: true, childList: true });
    });
    const began = performance.now();
    const key = i % 2 ? 'PageDown' : 'PageUp';
    slider.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await changed;
    times.push(performance.now() - began);
  }
  return times;
}"""

_BARE = """async (moves) => {
  const times = [];
  for (let i = 0; i < moves; i += 1) {
    const began = performance.now();
    await (await fetch('/static/bare.json', { cache: 'no-store' })).json();
    await new Promise(requestAnimationFrame);
    times.push(performance.now() - began);
  }
  return times;
}"""

_SCRIPTS = """() => performance.getEntriesByType('resource')
  .filter((e) => e.name.endsWith('.js')).reduce((sum, e) => sum + e.encodedBodySize, 0)"""


def rows() -> list[Row]:
    """Input to changed figures, and the weight of the first load."""
    with chromium() as browser:
        with served() as address:
            page = browser.new_page()
            payload = _at_tub_2(page, address)
            scripts = page.evaluate(_SCRIPTS)
        with served({"bare.json": payload}) as address:
            page = browser.new_page()
            _at_tub_2(page, address)
            moves = statistics.median(page.evaluate(_MOVE, MOVES))
            _pour_in(page, "June comfrey", "Potassium sulfate")
            three = statistics.median(page.evaluate(_MOVE, MOVES))
            bare = statistics.median(page.evaluate(_BARE, MOVES))
    print(f"scripts of the first load, compressed: {scripts / 1000:.0f} kB")
    plain = f"a bare answer of the same {len(payload)} bytes"
    return [
        Row("a key on the level, input to changed figures", moves, plain, bare),
        Row("the same with three sources in the can", three, plain, bare),
    ]


def _pour_in(page: Page, *names: str) -> None:
    """Further sources into the can on the Bench."""
    for name in names:
        choice = page.get_by_label("Pour in another", exact=True)
        named = next(o for o in choice.locator("option").all_inner_texts() if o.startswith(name))
        choice.select_option(label=named)
        page.get_by_role("button", name="Pour it in").click()
        page.get_by_role("slider", name=f"Level of {name}").wait_for()
    page.wait_for_load_state("networkidle")


def _at_tub_2(page: Page, address: str) -> bytes:
    """Open the Bench at Quay tub 2; the payload of one preview."""
    page.goto(address)
    page.get_by_role("button", name="Look round").click()
    page.get_by_role("button", name="Quay tub 2").first.wait_for()
    page.goto(page.url.rstrip("/") + "/bench")
    page.get_by_role("button", name="Quay tub 2").click()
    page.get_by_role("button", name="Write down a feed anyway").click()
    page.get_by_text("likes 54–144", exact=True).wait_for()
    with page.expect_response("**/api/bench/preview") as answer:
        page.get_by_role("textbox", name="parts", exact=True).fill("1 + 400")
    return json.dumps(answer.value.json(), separators=(",", ":")).encode()
