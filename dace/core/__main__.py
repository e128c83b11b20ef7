"""``python -m dace.core NAME``: JSON on standard input, JSON on standard output."""

from __future__ import annotations

import json
import sys

from dace.core.errors import DaceError
from dace.core.shell import CALCULATORS


def main(arguments: list[str]) -> int:
    """Run one calculator; 2 and a sentence on standard error for bad input."""
    names = ", ".join(CALCULATORS)
    if len(arguments) != 1 or arguments[0] not in CALCULATORS:
        print(f"Say which calculator: {names}.", file=sys.stderr)
        return 2
    try:
        given = json.load(sys.stdin)
        if not isinstance(given, dict):
            raise DaceError("input", type(given).__name__, "a JSON object would do")
        result = CALCULATORS[arguments[0]](given)
    except DaceError as error:
        print(error, file=sys.stderr)
        return 2
    except (ValueError, RecursionError) as error:
        print(f"input: could not be read as JSON ({error}).", file=sys.stderr)
        return 2
    print(json.dumps(result, ensure_ascii=False, indent=2))
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
