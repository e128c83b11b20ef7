"""As in production, with a shell that a test may change as an upgrade would."""

import os
from pathlib import Path

from dace.project.settings.production import *  # noqa: F403

WHITENOISE_ROOT = Path(os.environ["DACE_ROOT"])
