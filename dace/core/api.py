"""The core's public surface. Everything outside the core imports from here."""

from dace.core.advice import Advice
from dace.core.bench import Answer, Asked, CapCheck, answer, strength_words, warm_up
from dace.core.cans import Cans, read_litres_each, read_pack, read_rate, split_into_cans
from dace.core.composition import ALSO, FORMS, Composition, Label, composition, read_grade
from dace.core.conductivity import ec_25, ec_at
from dace.core.crops import NUTRIENTS, STAGE_WORDS, Crop, Stage, crop, crops, feed_cap
from dace.core.errors import DaceError
from dace.core.figures import Range
from dace.core.measuring import amount_words
from dace.core.media import Medium, media, medium
from dace.core.mixing import MOST_VESSEL_L, Can, fill_can
from dace.core.owned import KINDS as MEASURE_KINDS
from dace.core.owned import TEASPOON_ML, Owned, usual_measures
from dace.core.pouring import Ground, suggest_litres_each
from dace.core.quantities import FAMILIES, read_amounts, read_measure, read_number
from dace.core.result import Result, Step, Working, say
from dace.core.sampling import (
    METHODS,
    SCALES,
    Comparison,
    PenReading,
    as_pour_through,
    compare_with_expected,
    parts_for_pen,
    reading_at_25,
)
from dace.core.sizes import Size, read_size
from dace.core.strength import read_strength
from dace.core.waters import (
    WATER_KINDS,
    Water,
    blend,
    water_from_ec,
    water_from_report,
    water_of_kind,
)

__all__ = [
    "ALSO",
    "FAMILIES",
    "FORMS",
    "MEASURE_KINDS",
    "METHODS",
    "MOST_VESSEL_L",
    "NUTRIENTS",
    "SCALES",
    "STAGE_WORDS",
    "TEASPOON_ML",
    "WATER_KINDS",
    "Advice",
    "Answer",
    "Asked",
    "Can",
    "Cans",
    "CapCheck",
    "Comparison",
    "Composition",
    "Crop",
    "DaceError",
    "Ground",
    "Label",
    "Medium",
    "Owned",
    "PenReading",
    "Range",
    "Result",
    "Size",
    "Stage",
    "Step",
    "Water",
    "Working",
    "amount_words",
    "answer",
    "as_pour_through",
    "blend",
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
    "parts_for_pen",
    "read_amounts",
    "read_grade",
    "read_litres_each",
    "read_measure",
    "read_number",
    "read_pack",
    "read_rate",
    "read_size",
    "read_strength",
    "reading_at_25",
    "say",
    "split_into_cans",
    "strength_words",
    "suggest_litres_each",
    "usual_measures",
    "warm_up",
    "water_from_ec",
    "water_from_report",
    "water_of_kind",
]
