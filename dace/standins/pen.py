"""A simulated conductivity pen: noise, resolution, range, temperature, drift since calibration."""

from __future__ import annotations

import math
import random
from dataclasses import dataclass

from dace.core.api import DaceError, ec_at, pen_scale
from dace.standins.ports import Dipped, PenShows

_NOISE = 0.008
_DRIFT_SD_PER_DAY = 0.0016


@dataclass(frozen=True)
class PenMake:
    """How a pen is made: its scale, the most it shows and its finest step [mS/cm]."""

    scale: str
    most_ms_cm: float
    step_ms_cm: float
    compensates: bool


class SimulatedPen:
    """A pen of a make, so many days after it was calibrated.

    Parameters
    ----------
    make : PenMake
        Its range and habits.
    days_since_calibration : float
        Its gain has drifted for so long, the same way for the same pen.
    pen_seed, dip_seed : str
        Which pen it is, and which dip; the same two show the same number.
    """

    def __init__(
        self, make: PenMake, days_since_calibration: float, pen_seed: str, dip_seed: str
    ) -> None:
        self._make = make
        rate = random.Random(pen_seed).gauss(0, _DRIFT_SD_PER_DAY)  # noqa: S311
        self._gain = math.exp(rate * max(0.0, days_since_calibration))
        self._dip = random.Random(f"{pen_seed} {dip_seed}")  # noqa: S311

    def read(self, liquid: Dipped) -> PenShows:
        """Dip it; a liquid beyond its range is an error, as the pen would say."""
        noise = math.exp(self._dip.gauss(0, _NOISE))
        seen = liquid.ec_25_ms_cm
        if not self._make.compensates:
            seen = ec_at(seen, liquid.temperature_c)
        seen *= self._gain * noise
        if seen > self._make.most_ms_cm:
            raise DaceError(
                "pen",
                f"a liquid beyond the pen's {self._make.most_ms_cm:g} mS/cm",
                "dilute it with rain water, and say by how many parts",
            )
        step = self._make.step_ms_cm
        shown = max(step, round(seen / step) * step) * pen_scale(self._make.scale).per_ms
        return PenShows(float(f"{shown:.6g}"), self._make.scale, liquid.temperature_c)
