"""Scores of plants, 0 to 5, with words for every point; 5 is best in all of them."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import load_table

POINTS = 6


@dataclass(frozen=True)
class Scale:
    """One thing to look at: where, and the words of 0, 1, 2, 3, 4 and 5."""

    key: str
    name: str
    look: str
    words: tuple[str, ...]

    def said(self, score: float) -> str:
        """A score in words; a half point lies between two.

        >>> scales()["colour"].said(5)
        'even deep green of its kind'
        """
        check_score(score)
        whole = int(score)
        if score == whole:
            return self.words[whole]
        return f"between {self.words[whole]} and {self.words[whole + 1]}"


def check_score(score: float) -> float:
    """A score from 0 to 5, by halves.

    Raises
    ------
    DaceError
        On ``score``.
    """
    if not 0 <= score <= POINTS - 1 or 2 * score != int(2 * score):
        raise DaceError("score", f"{score:g}", "0 to 5, half points too")
    return score


@cache
def scales() -> dict[str, Scale]:
    """All of them, in the order in which a row is looked over."""
    return {
        row.text("key"): Scale(
            row.text("key"),
            row.text("name"),
            row.text("look"),
            tuple(row.text(f"p{point}") for point in range(POINTS)),
        )
        for row in load_table("scales")
    }
