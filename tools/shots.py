"""``make shots``: one current picture of each main view, from the demo garden."""

from __future__ import annotations

from pathlib import Path

from playwright.sync_api import Browser, Page

from tools.chromium import chromium
from tools.served import served

FOLDER = Path(__file__).resolve().parents[1] / "docs" / "screenshots"
DESKTOP, PHONE = (1280, 800), (390, 844)


def main() -> None:
    """Take them all."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    with served() as address, chromium() as browser:
        _desktop(browser, address)
        _phone(browser, address)


def _page(browser: Browser, size: tuple[int, int]) -> Page:
    width, height = size
    context = browser.new_context(
        viewport={"width": width, "height": height},
        reduced_motion="reduce",
    )
    return context.new_page()


def _shoot(page: Page, name: str) -> None:
    page.wait_for_load_state("networkidle")
    page.screenshot(path=FOLDER / f"{name}.png")
    print(f"docs/screenshots/{name}.png")


def _at(page: Page, address: str, stop: str) -> None:
    """Look round, and go to a stop's Bench."""
    page.goto(address)
    page.get_by_role("button", name="Look round").click()
    page.get_by_role("region", name="Can A").wait_for()
    page.goto(f"{address}/bench")
    page.get_by_role("button", name=stop).click()


def _at_the_flush(page: Page, address: str) -> None:
    _at(page, address, "Quay tub 2")
    page.get_by_role("button", name="of rain butt").wait_for()


def _desktop(browser: Browser, address: str) -> None:
    page = _page(browser, DESKTOP)
    page.goto(address)
    page.get_by_role("button", name="Look round").click()
    page.get_by_role("button", name="Cold frame, melon 2").click()
    page.get_by_role("button", name="Cold frame, melon", pressed=True).wait_for()
    page.get_by_role("button", name="Close").click()
    page.evaluate("document.querySelector('#desk').scrollTo({ top: 0 })")
    _shoot(page, "round")
    page.keyboard.press("u")
    page.get_by_role("button", name="Cold frame, melon", pressed=False).wait_for()
    page.goto("about:blank")
    page.context.clear_cookies()
    _at_the_flush(page, address)
    _shoot(page, "verdict")
    page.get_by_label("Along the path").get_by_role("button", name="Quay tub 1").click()
    page.get_by_role("button", name="Change it").wait_for()
    _shoot(page, "bench")
    _mixes(page)
    _leaves(page)
    _shoot(page, "leaf")
    page.goto(f"{address}/notebook")
    page.locator("#desk h2").first.wait_for()
    _shoot(page, "notebook")
    page.keyboard.press("c")
    page.get_by_role("img", name="doses as drops").wait_for()
    _shoot(page, "notebook-chart")
    _looks(page, address)
    _roots(page, address)
    _seasons(page, address)
    _shelves(page, address)
    page.goto(f"{address}/setup")
    page.get_by_role("heading", name="Set-up of Weir Yard").wait_for()
    _shoot(page, "setup")
    _first_run(_page(browser, DESKTOP), address)


def _looks(page: Page, address: str) -> None:
    """A trial that cannot tell, and what a dark patch on a fruit likely is."""
    page.goto(f"{address}/trials")
    page.get_by_role("link", name="Does Fruiting liquid").click()
    page.get_by_role("img", name="Gain").wait_for()
    _shoot(page, "trial")
    page.goto(f"{address}/signs")
    page.get_by_label("On which plants?").select_option(label="Quay tub 2: 4 aubergines")
    page.get_by_role("button", name="fruit", exact=True).click()
    page.get_by_role("button", name="Sunken brown-black").click()
    page.get_by_role("region", name="What it likely is").scroll_into_view_if_needed()
    _shoot(page, "signs")


def _mixes(page: Page) -> None:
    """The melon's can as Dace finds it."""
    page.get_by_label("Along the path").get_by_role("button", name="Cold frame").click()
    page.get_by_role("button", name="Cold frame, melon").click()
    page.get_by_role("button", name="Change it").click()
    page.get_by_role("button", name="Find a mix").click()
    page.get_by_role("button", name="nearest to what it likes").click()
    page.get_by_role("list", name="Poured in this order").wait_for()
    _shoot(page, "mix")


def _leaves(page: Page) -> None:
    """Epsom salt on the chillies of tub 3."""
    page.get_by_label("Along the path").get_by_role("button", name="Quay tub 3").click()
    page.get_by_role("button", name="leaves").click()
    jar = page.get_by_label("Jar", exact=True)
    jar.locator("option", has_text="Epsom").first.wait_for(state="attached")
    salt = next(o for o in jar.locator("option").all_inner_texts() if o.startswith("Epsom"))
    jar.select_option(label=salt)
    page.get_by_label("Strength of the spray").fill("5 g/L")
    page.get_by_text("Fit for magnesium").wait_for()


def _roots(page: Page, address: str) -> None:
    page.goto(f"{address}/bench")
    page.get_by_label("Along the path").get_by_role("button", name="Quay tub 2").click()
    page.get_by_role("link", name="What the roots say").click()
    page.get_by_role("region", name="Flush").wait_for()
    _shoot(page, "roots")


def _seasons(page: Page, address: str) -> None:
    page.goto(f"{address}/season")
    page.get_by_role("heading", name="To come").wait_for()
    _shoot(page, "season")
    page.get_by_role("main").get_by_role("button", name="Runner bean").click()
    page.get_by_role("link", name="All about this planting").click()
    page.locator("[aria-current=step]").wait_for()
    _shoot(page, "planting")


def _shelves(page: Page, address: str) -> None:
    page.goto(f"{address}/shelf")
    brew = page.get_by_role("link", name="Comfrey ferment Airless")
    brew.wait_for()
    _shoot(page, "shelf")
    brew.click()
    page.get_by_role("img", name="Conductivity of Comfrey ferment").wait_for()
    _shoot(page, "brew")
    page.goto(f"{address}/heap?of=mix")
    page.get_by_role("button", name="Big Supper").click()
    page.get_by_role("heading", name="Right for this").wait_for()
    _shoot(page, "heap")


def _phone(browser: Browser, address: str) -> None:
    page = _page(browser, PHONE)
    page.goto(address)
    page.get_by_role("button", name="Look round").click()
    page.get_by_role("region", name="Can A").wait_for()
    _shoot(page, "phone-round")
    page.goto(f"{address}/bench")
    page.get_by_label("Along the path").get_by_role("button", name="Quay tub 2").click()
    page.get_by_role("button", name="of rain butt").wait_for()
    _shoot(page, "phone-bench")


def _first_run(page: Page, address: str) -> None:
    """A new garden, up to its first place."""
    page.goto(address)
    if page.get_by_label("What is the garden called?").count() == 0:
        page.get_by_role("button", name="Begin a garden of your own").click()
    page.get_by_label("Your name").fill("Wren")
    page.get_by_label("Password").fill("nine rusty trowels")
    page.get_by_label("What is the garden called?").fill("Back step")
    page.get_by_role("button", name="Begin", exact=True).click()
    page.get_by_label("Country").select_option("Ireland")
    page.get_by_role("button", name="Next").click()
    page.get_by_role("button", name="Write it down").click()
    page.get_by_label("What do you call it?").fill("Tub by the door")
    page.get_by_role("button", name="why?").last.click()
    _shoot(page, "first-run")


if __name__ == "__main__":
    main()
