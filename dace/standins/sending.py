"""``python -m dace.standins.sending``: a pen that sends its number, as a real one's driver would.

It makes the one small call that such a driver needs: ``POST /api/pens/PEN/shown`` with a token of
the household. With ``--watch FILE`` it follows a file that some program writes, a line a number:
``1.85`` or ``1.85, 19.5`` (degrees C). With ``--pretend`` it is a simulated pen that sends one
number, to try the call out: what it sends is made up.
"""

from __future__ import annotations

import argparse
import json
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from pathlib import Path

from dace.standins.pen import PenMake, SimulatedPen
from dace.standins.ports import Dipped

_LOOKS_S, _WAIT_S = 0.5, 10


def request_for(
    base: str, token: str, pen: str, value: float, celsius: float | None
) -> urllib.request.Request:
    """The call that tells Dace what a pen shows."""
    body = json.dumps({"value": value, "temperature_c": celsius}).encode()
    made = urllib.request.Request(
        f"{base.rstrip('/')}/api/pens/{pen}/shown", data=body, method="POST"
    )
    made.add_header("Content-Type", "application/json")
    made.add_header("Authorization", f"Bearer {token}")
    return made


def read_line(line: str) -> tuple[float, float | None] | None:
    """A number and the temperature beside it, where there is one; None of any other line.

    >>> read_line("1.85, 19.5"), read_line("1,85"), read_line("EC"), read_line("")
    ((1.85, 19.5), (1.85, None), None, None)
    """
    parts = [part.strip() for part in line.replace(";", ", ").split(", ")]
    try:
        found = [float(part.replace(",", ".")) for part in parts if part]
    except ValueError:
        return None
    return (found[0], found[1] if len(found) > 1 else None) if found else None


def lines_added(file: Path, position: int) -> tuple[list[str], int]:
    """Whole lines that came since, and where the next begin; a file begun anew is read anew."""
    size = file.stat().st_size if file.is_file() else 0
    if size < position:
        position = 0
    if size == position:
        return [], position
    with file.open("rb") as source:
        source.seek(position)
        data = source.read()
    whole, _, _ = data.rpartition(b"\n")
    if not whole:
        return [], position
    return whole.decode("utf-8", "replace").splitlines(), position + len(whole) + 1


def watched(file: Path) -> Iterator[str]:
    """Each line that is added to a file from now on."""
    position = file.stat().st_size if file.is_file() else 0
    while True:
        lines, position = lines_added(file, position)
        yield from lines
        time.sleep(_LOOKS_S)


def main(arguments: list[str]) -> int:
    """Send one number, or every one that a file gets."""
    parser = argparse.ArgumentParser(prog="python -m dace.standins.sending", description=__doc__)
    parser.add_argument("--url", default="http://127.0.0.1:8000")
    parser.add_argument("--token", required=True, help="one that writes, from the set-up")
    parser.add_argument("--pen", required=True, help="the pen's id, from the set-up")
    which = parser.add_mutually_exclusive_group(required=True)
    which.add_argument("--watch", type=Path, help="a file that gets a line a number")
    which.add_argument("--pretend", action="store_true", help="send one number, made up")
    given = parser.parse_args(arguments)
    if given.pretend:
        shows = SimulatedPen(PenMake("mS/cm", 10.0, 0.01, True), 5.0, given.pen, "example").read(
            Dipped(1.6, 18.0)
        )
        return _send(given, shows.value, shows.temperature_c)
    for line in watched(given.watch):
        found = read_line(line)
        if found is not None and _send(given, *found):
            return 1
    return 0


def _send(given: argparse.Namespace, value: float, celsius: float | None) -> int:
    asked = request_for(given.url, given.token, given.pen, value, celsius)
    try:
        with urllib.request.urlopen(asked, timeout=_WAIT_S):
            print(f"sent {value:g}")
            return 0
    except urllib.error.HTTPError as error:
        print(f"refused ({error.code}): {error.read().decode('utf-8', 'replace')}", file=sys.stderr)
    except OSError as error:
        print(f"no answer: {error}", file=sys.stderr)
    return 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
