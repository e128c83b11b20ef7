"""The core's public surface. Everything outside the core imports from here."""

from dace.core.acid import Limits
from dace.core.advice import Advice, gravest_first
from dace.core.advice.brewing import advise_brew, advise_jar, brew_tokens
from dace.core.advice.cautions import cautions
from dace.core.advice.feeding import Feeding
from dace.core.advice.judge import advise_feeding
from dace.core.advice.roots import advise_roots
from dace.core.bench import Answer, Asked, CapCheck, answer, strength_words, warm_up
from dace.core.bottles import BottleContents, bottle_contents, composition_of_bottle
from dace.core.brew_days import ready_days
from dace.core.brews import (
    Band,
    BrewEstimate,
    BrewReading,
    brew_working,
    estimate,
    weigh,
)
from dace.core.cans import Cans, read_litres_each, read_pack, read_rate, split_into_cans
from dace.core.claims import Against, Claim, check_claim
from dace.core.climate import Climate, climate, climate_near, climates
from dace.core.clock import Begun, Look, Start, out_of_order, stage_clock
from dace.core.clock import Reading as StageReading
from dace.core.composition import ALSO, FORMS, Composition, Label, composition, read_grade
from dace.core.conductivity import ec_25, ec_at
from dace.core.crops import NUTRIENTS, STAGE_WORDS, Crop, Stage, crop, crops, feed_cap
from dace.core.draws import Array as Numbers
from dace.core.dressing import (
    DryDose,
    Spread,
    disagreement,
    dry_dose,
    litres_of_medium,
    read_dry,
    usual_dry_density,
)
from dace.core.errors import DaceError
from dace.core.extraction import SPREAD_ONLY, Method, method, methods, modifier, modifiers
from dace.core.figures import Range
from dace.core.ledger import SOURCES as LEDGER_SOURCES
from dace.core.ledger import Account, Given, Ledger, Rooted, ledger
from dace.core.logged import LoggedHour, by_day, read_log
from dace.core.materials import Material, material, materials
from dace.core.measuring import amount_words
from dace.core.media import Medium, media, medium
from dace.core.mixing import MOST_VESSEL_L, Can, fill_can
from dace.core.need import Span, spans
from dace.core.outlook import Asked as WeatherAsked
from dace.core.outlook import Days, Outlook, outlook, usual_days
from dace.core.own_weather import OwnDay, read_own_weather
from dace.core.owned import KINDS as MEASURE_KINDS
from dace.core.owned import TEASPOON_ML, Owned, usual_measures
from dace.core.pouring import Ground, suggest_litres_each
from dace.core.purpose import Purpose, purpose_of, suits
from dace.core.quantities import FAMILIES, read_amounts, read_measure, read_number
from dace.core.recipe import Ingredient, Recipe
from dace.core.release import Content, content_of_feed, content_of_material, release_over
from dace.core.result import Result, Step, Working, say
from dace.core.rootzone.flush import Flush, flush
from dace.core.rootzone.follow import Followed, Looked, follow
from dace.core.rootzone.meaning import (
    SHORT as ROOT_SHORT,
)
from dace.core.rootzone.meaning import (
    WORDS as ROOT_WORDS,
)
from dace.core.rootzone.meaning import (
    Comfort,
    NextFeed,
    as_paste,
    climbing_since,
    comfort,
    comfort_of,
    crop_loss,
    days_to_top,
    next_feed,
    word_for,
)
from dace.core.rootzone.told import followed_steps
from dace.core.rootzone.zone import (
    CHARGED,
    FEELS,
    NITRATE,
    Felt,
    Growing,
    Poured,
    Sampled,
    Slow,
    Zone,
    charged_can,
    charged_water,
    rain_m2,
    with_charge,
)
from dace.core.sampling import (
    METHODS,
    PEN_OLD_DAYS,
    SCALES,
    Comparison,
    PenReading,
    as_pour_through,
    compare_with_expected,
    parts_for_pen,
    pen_words,
    reading_at_25,
)
from dace.core.shortfall import (
    APPROACHES,
    Balance,
    Offer,
    balances,
    fills,
    reach,
    rhythm_sentence,
    sentence,
)
from dace.core.sizes import Size, read_size
from dace.core.soil_tests import UNITS as SOIL_UNITS
from dace.core.soil_tests import TestedSoil, read_soil_test
from dace.core.strength import read_strength
from dace.core.waters import (
    WATER_KINDS,
    Water,
    blend,
    water_from_ec,
    water_from_report,
    water_of_kind,
)
from dace.core.weather import day_hours

__all__ = [
    "ALSO",
    "APPROACHES",
    "CHARGED",
    "FAMILIES",
    "FEELS",
    "FORMS",
    "LEDGER_SOURCES",
    "MEASURE_KINDS",
    "METHODS",
    "MOST_VESSEL_L",
    "NITRATE",
    "NUTRIENTS",
    "PEN_OLD_DAYS",
    "ROOT_SHORT",
    "ROOT_WORDS",
    "SCALES",
    "SOIL_UNITS",
    "SPREAD_ONLY",
    "STAGE_WORDS",
    "TEASPOON_ML",
    "WATER_KINDS",
    "Account",
    "Advice",
    "Against",
    "Answer",
    "Asked",
    "Balance",
    "Band",
    "Begun",
    "BottleContents",
    "BrewEstimate",
    "BrewReading",
    "Can",
    "Cans",
    "CapCheck",
    "Claim",
    "Climate",
    "Comfort",
    "Comparison",
    "Composition",
    "Content",
    "Crop",
    "DaceError",
    "Days",
    "DryDose",
    "Feeding",
    "Felt",
    "Flush",
    "Followed",
    "Given",
    "Ground",
    "Growing",
    "Ingredient",
    "Label",
    "Ledger",
    "Limits",
    "LoggedHour",
    "Look",
    "Looked",
    "Material",
    "Medium",
    "Method",
    "NextFeed",
    "Numbers",
    "Offer",
    "Outlook",
    "OwnDay",
    "Owned",
    "PenReading",
    "Poured",
    "Purpose",
    "Range",
    "Recipe",
    "Result",
    "Rooted",
    "Sampled",
    "Size",
    "Slow",
    "Span",
    "Spread",
    "Stage",
    "StageReading",
    "Start",
    "Step",
    "TestedSoil",
    "Water",
    "WeatherAsked",
    "Working",
    "Zone",
    "advise_brew",
    "advise_feeding",
    "advise_jar",
    "advise_roots",
    "amount_words",
    "answer",
    "as_paste",
    "as_pour_through",
    "balances",
    "blend",
    "bottle_contents",
    "brew_tokens",
    "brew_working",
    "by_day",
    "cautions",
    "charged_can",
    "charged_water",
    "check_claim",
    "climate",
    "climate_near",
    "climates",
    "climbing_since",
    "comfort",
    "comfort_of",
    "compare_with_expected",
    "composition",
    "composition_of_bottle",
    "content_of_feed",
    "content_of_material",
    "crop",
    "crop_loss",
    "crops",
    "day_hours",
    "days_to_top",
    "disagreement",
    "dry_dose",
    "ec_25",
    "ec_at",
    "estimate",
    "feed_cap",
    "fill_can",
    "fills",
    "flush",
    "follow",
    "followed_steps",
    "gravest_first",
    "ledger",
    "litres_of_medium",
    "material",
    "materials",
    "media",
    "medium",
    "method",
    "methods",
    "modifier",
    "modifiers",
    "next_feed",
    "out_of_order",
    "outlook",
    "parts_for_pen",
    "pen_words",
    "purpose_of",
    "rain_m2",
    "reach",
    "read_amounts",
    "read_dry",
    "read_grade",
    "read_litres_each",
    "read_log",
    "read_measure",
    "read_number",
    "read_own_weather",
    "read_pack",
    "read_rate",
    "read_size",
    "read_soil_test",
    "read_strength",
    "reading_at_25",
    "ready_days",
    "release_over",
    "rhythm_sentence",
    "say",
    "sentence",
    "spans",
    "split_into_cans",
    "stage_clock",
    "strength_words",
    "suggest_litres_each",
    "suits",
    "usual_days",
    "usual_dry_density",
    "usual_measures",
    "warm_up",
    "water_from_ec",
    "water_from_report",
    "water_of_kind",
    "weigh",
    "with_charge",
    "word_for",
]
