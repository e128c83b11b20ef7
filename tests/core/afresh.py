"""The same computed in a process of its own, where nothing is remembered."""

import json
import os
import subprocess
import sys
from typing import Any


def elsewhere(module: str, name: str) -> Any:
    """What ``name()`` of a test module gives as JSON, there; its hashes are seeded otherwise."""
    script = f"import json, {module} as m; print(json.dumps(m.{name}()))"
    seeded = {**os.environ, "PYTHONHASHSEED": "77"}
    done = subprocess.run(
        [sys.executable, "-c", script], capture_output=True, text=True, check=True, env=seeded
    )
    return json.loads(done.stdout)
