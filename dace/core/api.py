"""The core's public surface. Everything outside the core imports from here."""

from dace.core.advice import Advice
from dace.core.bench import Answer, Asked, CapCheck, answer, strength_words, warm_up
from dace.core.composition import ALSO, FORMS, Composition, Label, composition
from dace.core.conductivity import ec_25, ec_at
from dace.core.crops import NUTRIENTS, Crop, Stage, crop, crops, feed_cap
from dace.core.errors import DaceError
from dace.core.figures import Range
from dace.core.measuring import amount_words
from dace.core.media import Medium, media, medium
from dace.core.mixing import MOST_VESSEL_L, Can, fill_can
from dace.core.pouring import Ground, suggest_litres_each
from dace.core.quantities import FAMILIES, read_amounts
from dace.core.result import Result, Step, Working, say
from dace.core.sampling import (
    METHODS,
    SCALES,
    Comparison,
    PenReading,
    compare_with_expected,
    reading_at_25,
)
from dace.core.strength import read_strength
from dace.core.waters import Water, water_from_ec, water_from_report

__all__ = [
    "ALSO",
    "FAMILIES",
    "FORMS",
    "METHODS",
    "MOST_VESSEL_L",
    "NUTRIENTS",
    "SCALES",
    "Advice",
    "Answer",
    "Asked",
    "Can",
    "CapCheck",
    "Comparison",
    "Composition",
    "Crop",
    "DaceError",
    "Ground",
    "Label",
    "Medium",
    "PenReading",
    "Range",
    "Result",
    "Stage",
    "Step",
    "Water",
    "Working",
    "amount_words",
    "answer",
    "compare_with_expected",
    "composition",
    "crop",
    "crops",
    "ec_25",
    "ec_at",
    "feed_cap",
    "fill_can",
    "media",
    "medium",
    "read_amounts",
    "read_strength",
    "reading_at_25",
    "say",
    "strength_words",
    "suggest_litres_each",
    "warm_up",
    "water_from_ec",
    "water_from_report",
]
