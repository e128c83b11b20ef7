"""How many words a page shows: at first sight, and as a whole."""

from __future__ import annotations

from playwright.sync_api import Page

_COUNT = """(seen) => {
  const bar = document.querySelector('nav[aria-label="Thumb buttons"]');
  const end = bar?.getBoundingClientRect().height ? bar.getBoundingClientRect().top : innerHeight;
  const walk = document.createTreeWalker(document.querySelector('main'), NodeFilter.SHOW_TEXT);
  const range = document.createRange();
  let words = 0;
  while (walk.nextNode()) {
    const node = walk.currentNode;
    if (node.parentElement.closest('.unseen, svg, option, dialog')) continue;
    if (!node.parentElement.checkVisibility({ contentVisibilityAuto: true })) continue;
    if (node.parentElement.closest('details:not([open]) > :not(summary)')) continue;
    range.selectNodeContents(node);
    const box = range.getBoundingClientRect();
    if (!box.width || (seen && (box.top >= end || box.bottom <= 0))) continue;
    words += (node.textContent.match(/[\\p{L}\\p{N}]+[^\\s]*/gu) ?? []).length;
  }
  return words;
}"""


def words_of(page: Page) -> tuple[int, int]:
    """Visible words of main without scrolling, and in whole; no drawn labels, nothing folded."""
    return page.evaluate(_COUNT, True), page.evaluate(_COUNT, False)
