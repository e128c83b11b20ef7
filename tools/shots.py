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


def _page(browser: Browser, size: tuple[int, int], scheme: str = "light") -> Page:
    width, height = size
    context = browser.new_context(
        viewport={"width": width, "height": height},
        color_scheme="dark" if scheme == "dark" else "light",
        reduced_motion="reduce",
    )
    return context.new_page()


def _shoot(page: Page, name: str) -> None:
    page.wait_for_load_state("networkidle")
    page.screenshot(path=FOLDER / f"{name}.png")
    print(f"docs/screenshots/{name}.png")


def _at_tub_2(page: Page, address: str) -> None:
    page.goto(address)
    page.get_by_role("button", name="Look round").click()
    page.get_by_role("button", name="Quay tub 2").click()
    page.get_by_text("likes 54–144", exact=True).wait_for()


def _say(page: Page, strength: str) -> None:
    with page.expect_response("**/api/bench/preview"):
        page.get_by_role("textbox", name="parts", exact=True).fill(strength)


def _desktop(browser: Browser, address: str) -> None:
    page = _page(browser, DESKTOP)
    page.goto(address)
    page.get_by_role("button", name="Look round").wait_for()
    _shoot(page, "welcome")
    _at_tub_2(page, address)
    _say(page, "1 + 500")
    _shoot(page, "bench")
    _say(page, "1 + 200")
    _shoot(page, "bench-too-strong")
    page.goto(f"{address}/notebook")
    page.locator("#desk h2").first.wait_for()
    _shoot(page, "notebook")
    dark = _page(browser, DESKTOP, "dark")
    _at_tub_2(dark, address)
    _shoot(dark, "bench-dark")


def _phone(browser: Browser, address: str) -> None:
    page = _page(browser, PHONE)
    _at_tub_2(page, address)
    _say(page, "1 + 500")
    _shoot(page, "phone-bench")
    page.get_by_role("button", name="Read", exact=True).click()
    page.get_by_label("It shows").wait_for()
    _shoot(page, "phone-read")
    page.goto(f"{address}/notebook")
    page.locator("#desk h2").first.wait_for()
    _shoot(page, "phone-notebook")


if __name__ == "__main__":
    main()
