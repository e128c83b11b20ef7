"""Shares in words: to tenths, and in whole percent."""

from __future__ import annotations

_TENTHS = ("one", "two", "three", "four", "five", "six", "seven", "eight", "nine")
_NONE, _LITTLE = 0.5, 5.0


def share_words(percent: float) -> str:
    """``about four tenths``, as one says a share [%].

    >>> share_words(38.0), share_words(40.2), share_words(43.0), share_words(100.0)
    ('nearly four tenths', 'about four tenths', 'over four tenths', 'all')
    >>> share_words(0.0), share_words(2.0), share_words(260.0)
    ('nothing', 'hardly any', '2.6 times all')
    """
    if percent < _NONE:
        return "nothing"
    if percent < _LITTLE:
        return "hardly any"
    tenths = percent / 10
    whole = round(tenths)
    if whole >= len(_TENTHS) + 1:
        return "all" if percent < 110 else f"{percent / 100:.2g} times all"
    whole = max(1, whole)
    off = tenths - whole
    side = "about" if abs(off) <= 0.1 else "nearly" if off < 0 else "over"
    return f"{side} {_TENTHS[whole - 1]} tenth{'s' if whole > 1 else ''}"


def percent_words(share: float) -> str:
    """A share in whole percent.

    >>> percent_words(0.3)
    '30 %'
    """
    return f"{100 * share:.0f} %"


def gain_words(share: float) -> str:
    """More or less by a share, with its sign.

    >>> gain_words(0.09), gain_words(-0.12)
    ('+9 %', '−12 %')
    """
    return f"{100 * share:+.0f} %".replace("-", "−")
